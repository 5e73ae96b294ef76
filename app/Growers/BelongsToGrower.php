<?php

declare(strict_types=1);

namespace App\Growers;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/** Of a model whose rows are a grower's: every query is for the one who acts, and what is made is theirs. */
trait BelongsToGrower
{
    protected static function bootBelongsToGrower(): void
    {
        static::addGlobalScope('owner', static function (Builder $query): void {
            $id = app(Acting::class)->id();
            if ($id !== null) {
                $query->where($query->getModel()->qualifyColumn('owner_id'), $id);
            }
        });
        static::creating(static function (Model $made): void {
            $made->setAttribute('owner_id', app(Acting::class)->owner());
        });
    }
}
