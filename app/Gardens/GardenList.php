<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Models\Garden;
use Illuminate\Pagination\LengthAwarePaginator;

/** The gardens as the list shows them, the last changed first, in pages. */
final readonly class GardenList
{
    /** So many gardens whose layouts were not all known when they were stored are worked out anew at a time. */
    private const MOST_SETTLED = 20;

    public const A_PAGE = 50;

    public function __construct(private GardenStore $store)
    {
    }

    /** @return LengthAwarePaginator<int, covariant array<string, mixed>> */
    public function page(int $page): LengthAwarePaginator
    {
        Garden::query()->where('settled', false)->latest('updated_at')->limit(self::MOST_SETTLED)->get()->each($this->store->settle(...));

        return Garden::query()
            ->latest('updated_at')->latest('id')
            ->select(['id', 'name', 'revision', 'tubs', 'plants', 'worst', 'outlay', 'currency', 'settled', 'sketch', 'updated_at'])
            ->withExists('entries')
            ->paginate(self::A_PAGE, page: $page)
            ->through(static fn (Garden $garden): array => [
                'id' => $garden->id,
                'name' => $garden->name,
                'revision' => $garden->revision,
                'tubs' => $garden->tubs,
                'plants' => $garden->plants,
                'worst' => $garden->worst,
                'outlay' => $garden->outlay,
                'currency' => $garden->currency,
                'settled' => $garden->settled,
                'sketch' => $garden->sketch ?? [],
                'updated_at' => $garden->updated_at->toIso8601String(),
                'logged' => (bool) $garden->getAttribute('entries_exists'),
            ]);
    }
}
