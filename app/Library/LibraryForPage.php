<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\File\Library;
use KelpTub\Core\Units\UnitSystem;
use stdClass;

/** What the page shows to choose from: keys, names, and the few measures that tell one item from the next. */
final class LibraryForPage
{
    /** @return array<string, list<array<string, mixed>>> shipped ones, then the grower's own, which say so */
    public static function of(Library $library, OwnLibrary $own): array
    {
        $vessels = [...self::shelf($library->vessels), ...self::own($own, LibraryKind::Vessels)];

        return [
            'vessels' => array_map(static fn (array $vessel): array => [...$vessel, 'suggested_cup' => self::cupForMouth($vessel, $library)], $vessels),
            'cups' => [...self::shelf($library->cups), ...self::own($own, LibraryKind::Cups)],
            'saws' => [
                ...array_map(static fn (Saw $saw): array => ['key' => 'saw-'.$saw->diameter, 'name' => $saw->name(), 'diameter_mm' => $saw->diameter], SawSeries::stock(UnitSystem::Metric)),
                ...self::own($own, LibraryKind::Saws),
            ],
            'stones' => self::shelf($library->stones),
            'pumps' => self::shelf($library->pumps),
            'tubes' => self::shelf($library->tubes),
            'crops' => [
                ...array_values(array_map(static fn (Crop $crop): array => ['key' => $crop->key, ...$crop->toRow()], $library->crops->all())),
                ...self::own($own, LibraryKind::Crops),
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function own(OwnLibrary $own, LibraryKind $kind): array
    {
        return array_map(static fn (array $item): array => [...$item, 'own' => true], self::shelf($own->documents($kind)));
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
