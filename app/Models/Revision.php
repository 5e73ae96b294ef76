<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A garden's document as it was at one of its revisions.
 *
 * @property string $garden_id
 * @property int $revision
 * @property string $document
 * @property string|null $write_key
 * @property Carbon $created_at
 */
final class Revision extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';
}
