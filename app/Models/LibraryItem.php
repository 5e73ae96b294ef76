<?php

declare(strict_types=1);

namespace App\Models;

use App\Growers\BelongsToGrower;
use Illuminate\Database\Eloquent\Model;

/**
 * A vessel, a cup, a saw or a crop of one's own, in the form a garden file holds it in place.
 *
 * @property string $owner_id  the grower’s; empty where nobody is asked
 * @property string $kind
 * @property string $key
 * @property string $name
 * @property string $document
 */
final class LibraryItem extends Model
{
    use BelongsToGrower;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';
}
