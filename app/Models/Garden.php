<?php

declare(strict_types=1);

namespace App\Models;

use App\Growers\BelongsToGrower;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * A garden as it is kept: its document as text, and what the list shows and searches.
 *
 * @property string $id
 * @property string $owner_id  the grower’s; empty where nobody is asked
 * @property int $revision
 * @property string $document
 * @property string $name
 * @property int $tubs
 * @property int $plants
 * @property string|null $worst
 * @property float $outlay
 * @property string $currency
 * @property bool $settled
 * @property list<\stdClass>|null $sketch  what the list draws of it
 * @property string|null $reckoned_by  the version by whose rules it is reckoned, as its grower was told
 * @property string|null $write_key
 * @property Carbon $updated_at
 * @property Carbon|null $deleted_at
 */
final class Garden extends Model
{
    use BelongsToGrower, HasUlids, SoftDeletes;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';

    protected $casts = [
        'revision' => 'integer', 'tubs' => 'integer', 'plants' => 'integer', 'outlay' => 'float', 'settled' => 'boolean',
        'sketch' => 'object',
    ];

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return HasMany<LogEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(LogEntry::class);
    }
}
