<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * An entry of a garden's log: written once, never changed.
 *
 * @property int $id  in the order in which they came
 * @property string $garden_id
 * @property string $entry  the name that the page gave it
 * @property string $tub
 * @property int $copy
 * @property string|null $planting
 * @property string $at
 * @property string $document
 * @property Carbon $created_at
 */
final class LogEntry extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'entries';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';

    protected $casts = ['copy' => 'integer'];
}
