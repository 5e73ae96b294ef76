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
            'vessels' => array_map(static fn (array $vessel): array => [...$vessel, 'suggested_cup' => self::cupForMouth($vessel, $library)], self::shelf($library->vessels)),
            'cups' => self::shelf($library->cups),
            'stones' => self::shelf($library->stones),
            'pumps' => self::shelf($library->pumps),
            'tubes' => self::shelf($library->tubes),
            'crops' => array_values(array_map(static fn (Crop $c): array => [
                'key' => $c->key, 'name' => $c->name, 'group' => $c->group, 'habit' => $c->habit, 'passive' => $c->passive,
                'spacing_mm' => $c->spacingMm, 'litres_per_plant' => $c->litresPerPlant, 'cup_min_mm' => $c->cupMinMm,
            ], $library->crops->all())),
        ];
    }

    /**
     * The bought cup that hangs in a jar's mouth without a saw, or the usual one.
     *
     * @param  array<string, mixed>  $vessel
     */
    private static function cupForMouth(array $vessel, Library $library): string
    {
        $stations = (array) ($vessel['stations'] ?? []);
        $mouth = end($stations);
        if (($vessel['kind'] ?? '') === 'jar' && $mouth instanceof stdClass && isset($mouth->diameter_mm)) {
            foreach ($library->cups as $key => $cup) {
                if ($cup->made === 'bought' && $cup->top_diameter_mm <= $mouth->diameter_mm && $mouth->diameter_mm < $cup->lip_diameter_mm) {
                    return $key;
                }
            }
        }

        return 'net-cup-50';
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
