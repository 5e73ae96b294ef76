<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\Authenticatable;
use Illuminate\Contracts\Auth\Authenticatable as CanSignIn;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Somebody whose gardens are kept here.
 *
 * @property string $id
 * @property string $name
 * @property string $password  its hash
 * @property Carbon $created_at
 */
final class Grower extends Model implements CanSignIn
{
    use Authenticatable, HasUlids;

    protected $guarded = [];

    protected $hidden = ['password'];

    protected $dateFormat = 'Y-m-d H:i:s.u';

    protected $casts = ['password' => 'hashed'];

    /** The one who was first, to whom belongs what was there before anybody was asked. */
    public static function first(): ?self
    {
        return self::query()->oldest()->oldest('id')->first();
    }

    /** No cookie outlives its session. */
    public function getRememberTokenName(): string
    {
        return '';
    }
}
