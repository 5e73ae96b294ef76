<?php

declare(strict_types=1);

namespace App\Models;

use App\Growers\Purpose;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A code that lets somebody in once.
 *
 * @property int $id
 * @property string $hash  of the code, which is known to nobody but who has it
 * @property Purpose $purpose
 * @property string|null $grower_id  whom it lets in; null where it makes a new grower
 * @property Carbon $expires_at
 * @property Carbon|null $used_at
 */
final class OneTimeCode extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';

    protected $casts = ['purpose' => Purpose::class, 'expires_at' => 'datetime', 'used_at' => 'datetime'];
}
