<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Models\Garden;

/** The gardens as the list shows them, the last changed first. */
final class GardenList
{
    /** @return array<int, array<string, mixed>> */
    public static function all(): array
    {
        return Garden::query()
            ->latest('updated_at')->latest('id')
            ->get(['id', 'name', 'revision', 'tubs', 'plants', 'worst', 'outlay', 'currency', 'updated_at'])
            ->map(static fn (Garden $garden): array => [
                'id' => $garden->id,
                'name' => $garden->name,
                'revision' => $garden->revision,
                'tubs' => $garden->tubs,
                'plants' => $garden->plants,
                'worst' => $garden->worst,
                'outlay' => (float) $garden->outlay,
                'currency' => $garden->currency,
                'updated_at' => $garden->updated_at->toIso8601String(),
            ])->values()->all();
    }
}
