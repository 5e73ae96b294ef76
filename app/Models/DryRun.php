<?php

declare(strict_types=1);

namespace App\Models;

use App\Growers\BelongsToGrower;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A season that is lived through, as it is kept: its design, its seed, and what was decided.
 *
 * @property string $id
 * @property string $owner_id  the grower’s; empty where nobody is asked
 * @property string|null $garden_id  that it came from; it may be gone
 * @property string $tub
 * @property string $name
 * @property string|null $lesson
 * @property int $seed
 * @property int $day
 * @property bool $is_over
 * @property int $revision
 * @property string $document  the garden as it was designed
 * @property string $decisions
 * @property Carbon $updated_at
 */
final class DryRun extends Model
{
    use BelongsToGrower, HasUlids;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';

    protected $casts = ['seed' => 'integer', 'day' => 'integer', 'is_over' => 'boolean', 'revision' => 'integer'];
}
