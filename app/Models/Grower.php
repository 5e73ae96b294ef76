<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\Authenticatable;
use Illuminate\Contracts\Auth\Authenticatable as CanSignIn;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use LogicException;

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

    /** The one who is signed in, on the house network; null where nobody is. */
    public static function signedIn(): ?self
    {
        $grower = Auth::user();

        return $grower instanceof self ? $grower : null;
    }

    /** The same, behind the door (`MustBeKnown`). */
    public static function signedInOrFail(): self
    {
        return self::signedIn() ?? throw new LogicException('Nobody is signed in.');
    }

    /** No cookie outlives its session. */
    public function getRememberTokenName(): string
    {
        return '';
    }
}
