<?php

declare(strict_types=1);

namespace Tests\Core;

use Generator;
use KelpTub\Core\Garden\Garden;

/** Random gardens of one or two tubs, of every system and climate, with and without feed and air. */
final class Waters
{
    /** @return Generator<int, Garden> */
    public static function of(int $many, int $seed): Generator
    {
        mt_srand($seed);
        $pick = fn (array $from) => $from[mt_rand(0, count($from) - 1)];
        $library = Gardens::library();
        $crops = array_values(array_diff($library->crops->keys(), ['soft-cuttings']));
        for ($i = 0; $i < $many; $i++) {
            $tubs = [];
            foreach (range(0, mt_rand(0, 1)) as $t) {
                $system = $pick(['aerated', 'aerated', 'passive', 'passive', 'raft', 'nursery']);
                $tubs[] = [
                    'id' => "t$t", 'system' => $system, 'count' => mt_rand(1, 3),
                    'vessel' => $pick(['bucket-20', 'tote-45', 'jar-1', 'pail-15', 'bucket-10', 'tote-90']),
                    'density' => $pick(['roomy', 'tight']), 'layout' => ['pattern' => 'grid', 'cups' => mt_rand(1, 6)],
                    ...$pick([['crop' => $pick($crops)], ['crops' => array_map(
                        fn (string $crop): array => ['crop' => $crop, 'plants' => null],
                        array_values(array_unique([$pick($crops), $pick($crops)])),
                    )]]),
                    'started' => $pick(['plug', 'plug', 'seedling', 'seed']),
                    'top_ups' => $pick(['none', 'level', 'quarter', 'half']),
                    'top_up_strength' => $pick(['water', 'half', 'feed']),
                    'reservoir_change' => $pick(['weekly', 'two-weekly', 'monthly', 'by-volume', 'never', 'never']),
                    'strengthening' => (bool) mt_rand(0, 3), 'feed' => $pick(['f', 'f', 'f', null]),
                    ...($system === 'passive' && mt_rand(0, 2) === 0
                        ? ['planned_top_ups' => [['day' => mt_rand(3, 30), 'litres' => 0.5]]]
                        : []),
                    ...($system === 'aerated' || $system === 'raft' ? ['stones' => ['kind' => $pick(['disc-100', 'cylinder-50'])]] : []),
                    ...($system === 'aerated' ? ['water_line' => $pick(['gap', 'touch', 'drawn-down', 'high-start'])] : []),
                ];
            }
            $aired = array_values(array_filter($tubs, fn (array $tub): bool => isset($tub['stones']) && mt_rand(0, 4) > 0));
            yield Gardens::of([
                'site' => [
                    'setting' => $pick(['indoor', 'covered', 'open']), 'full_sun' => (bool) mt_rand(0, 1),
                    'air_temperature_c' => mt_rand(2, 40), 'humidity_pct' => mt_rand(20, 90), 'light_hours' => mt_rand(4, 18),
                    'altitude_m' => $pick([0, 0, 2000]),
                    'weather' => $pick([
                        ['kind' => 'steady'],
                        [
                            'kind' => 'typical', 'climate' => $pick($library->climates->keys()), 'seed' => mt_rand(0, 999),
                            'start' => sprintf('2027-%02d-10', mt_rand(1, 12)),
                        ],
                        [
                            'kind' => 'typical', 'climate' => $pick($library->climates->keys()), 'seed' => mt_rand(0, 999),
                            'start' => sprintf('2027-%02d-10', mt_rand(4, 6)),
                        ],
                    ]),
                    ...$pick([[], ['water_temperature_c' => mt_rand(0, 40)]]),
                ],
                'money' => ['produce_per_kg' => array_fill_keys($crops, 8.0)],
                'water' => ['source' => $pick(['tap', 'ro']), 'ec_ms_cm' => mt_rand(0, 15) / 10],
                'feeds' => [[
                    'id' => 'f', 'product' => $pick($library->products->keys()),
                    'strength' => $pick(['by-stage', 'by-stage', 'simple', ['ec_ms_cm' => 1.3]]),
                    'ph_school' => $pick(['window', 'strict', 'none']),
                ]],
                'tubs' => $tubs,
                'air' => $aired === [] ? [] : [[
                    'id' => 'p', 'pump' => $pick(['pump-4w-2', 'pump-2w-1']), 'check_valve' => true,
                    'branches' => array_map(fn (array $tub): array => ['tub' => $tub['id']], $aired),
                ]],
            ]);
        }
    }
}
