<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Pagination\LengthAwarePaginator;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\File\Library;
use KelpTub\Core\Units\UnitSystem;
use stdClass;

/** What the page shows to choose from: keys, names, and the few measures that tell one item from the next. */
final class LibraryForPage
{
    /** @return array<string, list<mixed>> shipped ones, then the first of the grower's own, which say so */
    public static function of(Library $library, OwnLibrary $own): array
    {
        $pages = [];
        foreach (LibraryKind::cases() as $kind) {
            $pages[$kind->value] = $own->page($kind, 1);
        }

        return [
            'vessels' => [...self::shelf($library->vessels->documents()), ...$pages['vessels']->items()],
            'cups' => [...self::shelf($library->cups->documents()), ...$pages['cups']->items()],
            'saws' => [
                ...array_map(
                    static fn (Saw $saw): array => [
                        'key' => 'saw-'.$saw->diameter,
                        'name' => $saw->name(),
                        'diameter_mm' => $saw->diameter,
                    ],
                    SawSeries::stock(UnitSystem::Metric),
                ),
                ...$pages['saws']->items(),
            ],
            'stones' => [...self::shelf($library->stones->documents()), ...$pages['stones']->items()],
            'pumps' => [...self::shelf($library->pumps->documents()), ...$pages['pumps']->items()],
            'tubes' => self::shelf($library->tubes->documents()),
            'lamps' => self::shelf($library->lamps->documents()),
            'feeds' => [...self::shelf($library->products->documents()), ...$pages['feeds']->items()],
            'crops' => [...self::shelf($library->crops->documents()), ...$pages['crops']->items()],
            // Shelves that are longer than what comes with the page: it asks for the rest by itself.
            'more' => array_keys(array_filter($pages, static fn (LengthAwarePaginator $page): bool => $page->hasMorePages())),
        ];
    }

    /**
     * @param  array<array-key, stdClass>  $shelf
     * @return list<array<string, mixed>>
     */
    private static function shelf(array $shelf): array
    {
        $items = [];
        foreach ($shelf as $key => $item) {
            $items[] = ['key' => (string) $key, ...get_object_vars($item)];
        }

        return $items;
    }
}
