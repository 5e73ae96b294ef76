<?php

declare(strict_types=1);

namespace Tests\Core;

use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\Shelf;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Lid\RegularMemory;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Wish\Steps;
use KelpTub\Core\Wish\Wish;
use KelpTub\Core\Wish\WishAnswer;
use stdClass;

/** Wishes for tests: read through the real reader, answered with the shipped Library or with a small part of it. */
final class Wishes
{
    /**
     * @param  list<array<string, mixed>>  $eat
     * @param  array<string, mixed>  $more
     */
    public static function of(array $eat, array $more = []): Wish
    {
        return self::read(json_encode(['format' => 'kelp-tub.wish', 'version' => 1, 'eat' => $eat, ...$more], JSON_THROW_ON_ERROR));
    }

    public static function read(string $json): Wish
    {
        return Gardens::files()->wishes(Gardens::library())->read($json);
    }

    /** @return list<string> what is wrong with a wish, each with its place */
    public static function faults(array $document): array
    {
        try {
            self::read(json_encode($document, JSON_THROW_ON_ERROR));
        } catch (RefusedGarden $refused) {
            return array_map(strval(...), $refused->faults);
        }

        return [];
    }

    public static function planner(?Library $library = null): Planner
    {
        return new Planner(Marks::all(), $library ?? Gardens::library(), new RegularMemory);
    }

    public static function answer(Wish $wish, int $steps = Steps::WHOLE, ?Library $library = null): stdClass
    {
        return (new WishAnswer(self::planner($library), $wish))->of($steps);
    }

    /** A wish after a patch of its answer's. */
    public static function loosened(Wish $wish, array $patch): Wish
    {
        $document = json_decode(json_encode($wish->document, JSON_THROW_ON_ERROR));
        foreach ($patch as $deed) {
            $way = explode('/', ltrim($deed->path, '/'));
            $last = array_pop($way);
            $at = $document;
            foreach ($way as $step) {
                if (is_array($at)) {
                    $at = $at[(int) $step];
                } else {
                    $at->{$step} ??= new stdClass;
                    $at = $at->{$step};
                }
            }
            $at->{$last} = $deed->value;
        }

        return self::read(json_encode($document, JSON_THROW_ON_ERROR));
    }

    /**
     * The shipped Library with a few vessels and pumps.
     *
     * @param  list<string>  $vessels
     * @param  list<string>  $pumps
     */
    public static function small(array $vessels, array $pumps): Library
    {
        $all = Gardens::library();
        $of = static fn (Shelf $shelf, array $keys): array => array_intersect_key($shelf->documents(), array_flip($keys));

        return new Library(
            new Shelf($of($all->vessels, $vessels), PartReader::vessel(...)),
            $all->cups,
            $all->crops,
            $all->stones,
            new Shelf($of($all->pumps, $pumps), PartReader::pump(...)),
            $all->tubes,
            $all->lamps,
            $all->products,
            $all->climates,
            $all->offers,
            $all->partNames,
            $all->produce,
        );
    }

    /** A wish at random. */
    public static function random(): Wish
    {
        $pick = static fn (array $of): mixed => $of[mt_rand(0, count($of) - 1)];
        $crops = array_values(array_filter(Gardens::library()->crops->keys(), static fn (string $key): bool => $key !== 'soft-cuttings'));
        $eat = [];
        for ($i = 0, $many = $pick([1, 1, 2, 3]); $i < $many; $i++) {
            $eat[] = [
                ...$pick([['crop' => $pick($crops)], ['group' => $pick(['leaf', 'herb', 'fruit', 'root', 'flower'])]]),
                ...$pick([[], ['heads_a_week' => $pick([0.5, 1, 3])], ['g_a_week' => $pick([50, 200, 1500])], ['plants' => mt_rand(1, 8)]]),
            ];
        }
        $setting = $pick(['indoor', 'covered', 'open']);
        $from = $pick([null, '2027-02-10', '2027-04-20', '2027-08-01', '2027-11-15']);

        return self::of($eat, [
            'units' => $pick(['metric', 'metric', 'us']),
            'place' => array_filter([
                'setting' => $setting,
                'length_mm' => $pick([400, 700, 1200, 2500]),
                'depth_mm' => $pick([250, 400, 900]),
                'height_mm' => $pick([350, 700, 1500, 2600]),
                'load' => $pick(['ground', 'balcony', 'boat']),
                'limit_kg' => $pick([null, null, 25, 80]),
                'mains' => $pick([true, true, false]),
                'window' => $setting === 'indoor' ? $pick([null, 'south', 'north']) : null,
                'lamp' => $pick([false, false, true]),
                'climate' => $pick(['cool-maritime', 'continental', 'mediterranean', 'tropical']),
                'from' => $from,
            ], static fn (mixed $value): bool => $value !== null),
            'tend' => [
                'visits_a_week' => $pick([0, 1, 3, 7]),
                'away_days' => $pick([0, 3, 10]),
                'meter' => $pick([true, false]),
                'drill' => $pick([true, true, false]),
                'systems' => $pick([['aerated'], ['passive'], ['aerated', 'passive'], ['aerated', 'passive']]),
            ],
            'money' => ['cap' => $pick([null, null, 30, 60, 150])],
            'vessels' => $pick([[], [], ['tote-45'], ['bucket-20', 'jar-1']]),
            'owned' => $pick([new stdClass, ['net-cup-50' => 10, 'bucket-20' => 3]]),
        ]);
    }
}
