<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * Where a grower is signed in.
 *
 * @property string $id
 * @property string $grower_id
 * @property string $session_id
 * @property string $name
 */
final class Device extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $hidden = ['session_id'];

    protected $dateFormat = 'Y-m-d H:i:s.u';
}
