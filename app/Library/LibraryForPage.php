<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Garden\Library;
use stdClass;

/** What the page shows to choose from: keys, names, and the few measures that tell one item from the next. */
final class LibraryForPage
{
    /** @return array<string, list<array<string, mixed>>> */
    public static function of(Library $library): array
    {
        return [
            'vessels' => self::shelf($library->vessels),
            'cups' => self::shelf($library->cups),
            'stones' => self::shelf($library->stones),
            'pumps' => self::shelf($library->pumps),
            'tubes' => self::shelf($library->tubes),
            'crops' => array_values(array_map(static fn (Crop $c): array => [
                'key' => $c->key, 'name' => $c->name, 'group' => $c->group, 'habit' => $c->habit, 'passive' => $c->passive,
                'spacing_mm' => $c->spacingMm, 'litres_per_plant' => $c->litresPerPlant,
            ], $library->crops)),
        ];
    }

    /**
     * @param  array<string, stdClass>  $shelf
     * @return list<array<string, mixed>>
     */
    private static function shelf(array $shelf): array
    {
        $items = [];
        foreach ($shelf as $key => $item) {
            $items[] = ['key' => $key, ...get_object_vars($item)];
        }

        return $items;
    }
}
