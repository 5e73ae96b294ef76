<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\GardenFile;
use stdClass;

/** Writes a garden of what was chosen: the wish's place and money, its tubs, one pump for those with air, one feed for all. */
final readonly class Draft
{
    private const FEED = 'feed-1';

    private const PUMP = 'pump-1';

    private const DISTANCE_MM = 1000;

    /** † the day from which on something grows outside, where none was said. */
    public const FROM = '2027-05-01';

    public function __construct(private Wish $wish)
    {
    }

    /**
     * @param  list<TubChoice>  $tubs
     * @param  string|null  $pump  by key; null where no tub has air
     * @param  float|null  $headroom  over the lids, mm; null where it is not known yet how high these lie
     */
    public function garden(array $tubs, ?string $pump, string $product, ?float $headroom): stdClass
    {
        $document = $this->ground($tubs, $headroom);
        $branches = [];
        foreach ($tubs as $tub) {
            $id = self::freeId($document->tubs, $tub->bed->portions[0]->crop->key);
            $document->tubs[] = $tub->raw($id, self::FEED);
            if ($tub->system === GrowingSystem::Aerated) {
                $branches[] = (object) ['tub' => $id, 'distance_mm' => self::DISTANCE_MM, 'valve' => 1.0];
            }
        }
        $document->air = $branches === [] || $pump === null ? [] : [(object) [
            'id' => self::PUMP,
            'pump' => $pump,
            'above_water' => true,
            'check_valve' => true,
            'joined' => true,
            'branches' => $branches,
        ]];
        $document->feeds = [(object) ['id' => self::FEED, 'product' => $product, 'strength' => 'by-stage', 'ph_school' => 'window']];

        return $document;
    }

    /**
     * Everything but the tubs.
     *
     * @param  list<TubChoice>  $tubs  by what grows in them it is named
     */
    private function ground(array $tubs, ?float $headroom): stdClass
    {
        $room = $this->wish->room;
        $isIndoor = $room->setting === 'indoor';
        $site = array_filter([
            'setting' => $room->setting,
            'air_temperature_c' => $isIndoor ? $room->airC : null,
            'light_hours' => $room->lightHours,
            'load' => $room->load,
            'shelf_limit_kg' => $room->limitKg,
            'headroom_mm' => $headroom,
            'full_sun' => $room->isInSun() ?: null,
            'window' => $isIndoor ? $room->window : null,
            'weather' => $isIndoor ? null : (object) [
                'kind' => 'typical',
                'climate' => $room->climate,
                'seed' => 1,
                'start' => $room->from ?? self::FROM,
            ],
        ], static fn (mixed $value): bool => $value !== null);

        return (object) array_filter([
            'format' => GardenFile::FORMAT,
            'version' => GardenFile::VERSION,
            'name' => $this->wish->document->name ?? self::name($tubs),
            'units' => $this->wish->units,
            'site' => (object) $site,
            'money' => (object) array_filter(
                ['currency' => $this->wish->currency, 'cap' => $this->wish->cap],
                static fn (mixed $value): bool => $value !== null,
            ),
            'testing' => $this->wish->tending->meter ? 'meter' : 'drops',
            'saws_mm' => $this->wish->saws,
            'owned' => (object) $this->wish->owned,
            'tubs' => [],
            'air' => [],
            'feeds' => [],
            'plantings' => [],
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @param  list<TubChoice>  $tubs */
    private static function name(array $tubs): string
    {
        $beds = array_map(static fn (TubChoice $t): string => $t->bed->inWords(), $tubs);

        return mb_substr($beds === [] ? 'From a wish' : ucfirst(implode(', ', $beds)), 0, 120);
    }

    /** @param  list<stdClass>  $tubs */
    private static function freeId(array $tubs, string $wanted): string
    {
        $taken = array_column($tubs, 'id');
        for ($n = 2, $id = $wanted; in_array($id, $taken, true); $n++) {
            $id = "$wanted-$n";
        }

        return $id;
    }
}
