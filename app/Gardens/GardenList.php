<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Models\Garden;

/** The gardens as the list shows them, the last changed first. */
final readonly class GardenList
{
    /** So many gardens whose layouts were not all known when they were stored are worked out anew at a time. */
    private const MOST_SETTLED = 20;

    public function __construct(private GardenStore $store)
    {
    }

    /** @return array<int, array<string, mixed>> */
    public function all(): array
    {
        Garden::query()->where('settled', false)->latest('updated_at')->limit(self::MOST_SETTLED)->get()->each($this->store->settle(...));

        return Garden::query()
            ->latest('updated_at')->latest('id')
            ->get(['id', 'name', 'revision', 'tubs', 'plants', 'worst', 'outlay', 'currency', 'settled', 'updated_at'])
            ->map(static fn (Garden $garden): array => [
                'id' => $garden->id,
                'name' => $garden->name,
                'revision' => $garden->revision,
                'tubs' => $garden->tubs,
                'plants' => $garden->plants,
                'worst' => $garden->worst,
                'outlay' => (float) $garden->outlay,
                'currency' => $garden->currency,
                'settled' => $garden->settled,
                'updated_at' => $garden->updated_at->toIso8601String(),
            ])->values()->all();
    }
}
