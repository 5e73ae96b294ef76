<?php

declare(strict_types=1);

namespace Tests\Core;

use KelpTub\Core\Days\Item;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Diary\DiaryReport;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Log\Sign;
use KelpTub\Core\Log\Suspicion;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** Logs as people keep them, of tubs of every kind: what their diaries say is kept, so that a change that is to change nothing is seen. */
final class Diaries
{
    /** @return array<string, list<mixed>> tub, plantings, garden, entries (day after the start, time, what) and now, in days after it */
    private static function scenes(): array
    {
        $kinds = Grown::kinds();
        $sown = ['sown' => '2027-02-10'];

        return [
            'no log yet' => [$kinds['aerated bucket'], [$sown], [], [], 12.4],
            'levels, top-ups and drops of pH' => [['reservoir_change' => 'never'] + $kinds['aerated bucket'], [[]], [], [
                [3, '18:30', ['level_mm' => 238]], [6, '07:40', ['level_mm' => 226, 'ph' => 6.4, 'water_c' => 20]],
                [9, '19:00', ['level_mm' => 205, 'top_up_l' => 1.5, 'top_up_ec' => 0.7]], [12, '18:00', ['level_mm' => 214]],
                [15, '18:00', ['level_mm' => 190, 'ph' => 6.9, 'dose' => ['ph-down' => ['ml' => 1.5]]]],
                [16, '18:00', ['ph' => 6.2]], [18, '18:00', ['level_mm' => 160, 'top_up_l' => 3]],
                [21, '09:00', ['level_mm' => 178, 'signs' => ['pale-new-leaves']]],
            ], 21.6],
            'a change, climbing salt, picking' => [$kinds['aerated tote of two crops'], [
                ['crop' => 'celery-leaf'], ['crop' => 'mizuna'],
            ], [], [
                [4, '18:00', ['level_mm' => 240, 'ec_ms_cm' => 1.3]], [9, '18:00', ['level_mm' => 221, 'ec_ms_cm' => 1.55]],
                [13, '18:00', ['level_mm' => 190, 'ec_ms_cm' => 1.9, 'top_up_l' => 6, 'top_up_ec' => 0.3]],
                [14, '18:00', ['change' => true]], [19, '08:00', ['level_mm' => 228, 'ec_ms_cm' => 1.4]],
                [30, '08:00', ['harvest_g' => 120, 'planting' => 'p1']], [33, '08:00', ['harvest_g' => 60, 'picked' => 4]],
            ], 34.2],
            'a jar that was filled to the brim' => [$kinds['passive jar'], [[]], [], [
                [5, '18:00', ['level_mm' => 118]], [11, '18:00', ['level_mm' => 95]], [14, '18:00', ['level_mm' => 84, 'top_up_l' => 0.5]],
                [16, '08:00', ['signs' => ['wilting']]],
            ], 16.5],
            'passive and topped up' => [$kinds['passive, topped up'], [$sown], [], [
                [6, '18:00', ['level_mm' => 250, 'did' => ['check']]], [20, '18:00', ['level_mm' => 214, 'top_up_l' => 1]],
            ], 22.0],
            'a raft in the open' => [$kinds['raft'], [$sown], [
                'site' => [
                    'setting' => 'open',
                    'weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'seed' => 3, 'start' => '2027-03-01'],
                    'frost' => ['last' => '03-20', 'first' => '10-20'],
                ],
            ], [[7, '18:00', ['level_mm' => 210, 'ec_ms_cm' => 1.2]]], 9.0],
            'cuttings' => [$kinds['cloner'], [[]], [], [[3, '18:00', ['water_c' => 24]]], 6.0],
            'a nursery' => [$kinds['nursery'], [$sown], [], [[1, '18:00', ['did' => ['p0/set-in']]]], 4.0],
            'fruit, changed by volume' => [$kinds['fruit by volume'], [$sown], [], [
                [10, '18:00', ['level_mm' => 230, 'ec_ms_cm' => 1.6]],
                [24, '18:00', ['level_mm' => 200, 'ec_ms_cm' => 1.7, 'top_up_l' => 2]],
            ], 60.0],
            'a meter' => [$kinds['aerated bucket'], [[]], [], array_map(static fn (int $n): array => [
                intdiv($n, 4) + 2, sprintf('%02d:15', 6 * ($n % 4)),
                ['from' => 'meter', 'level_mm' => 245 - 0.9 * $n, 'ec_ms_cm' => 1.2 + $n / 200, 'ph' => 6 + $n / 60],
            ], range(0, 47)), 13.9],
            'one after another, and days away' => [
                ['crop' => 'lettuce-leaf', 'vessel' => 'tote-45', 'system' => 'aerated', 'layout' => ['pattern' => 'grid', 'cups' => 4]],
                [
                    ['cups' => [1, 2]],
                    ['cups' => [3, 4], 'sown' => '2027-03-10', 'transplanted' => null],
                    ['cups' => [1], 'sown' => '2027-04-05', 'transplanted' => null],
                ],
                ['site' => [
                    'setting' => 'covered',
                    'away' => [['from' => '2027-03-08', 'to' => '2027-03-16']],
                    'visit_weekdays' => [1, 4, 5],
                ]],
                [[2, '18:00', ['level_mm' => 250]]], 4.3,
            ],
            'two visits a day' => [['reservoir_change' => 'never'] + $kinds['aerated bucket'], [[]], [], [
                [4, '07:00', ['level_mm' => 235, 'top_up_l' => 1, 'top_up_ec' => 0.4]],
                [4, '19:00', ['top_up_l' => 2, 'top_up_ec' => 1.0, 'ec_ms_cm' => 1.1]],
                [7, '15:00', ['level_mm' => 240, 'top_up_l' => 0.5]], [7, '19:00', ['top_up_l' => 0.7, 'top_up_ec' => 0.9, 'ph' => 6]],
                [9, '18:00', ['dose' => ['A' => ['g' => 1.5], 'B' => ['ml' => 1]]]],
                [11, '15:00', ['level_mm' => 236]], [11, '20:00', ['change' => true]],
                [14, '18:00', ['level_mm' => 238, 'ec_ms_cm' => 1.3]],
            ], 15.0],
            'dry before its harvest' => [['top_ups' => 'none'] + $kinds['passive jar'], [[]], [], [], 8.0],
        ];
    }

    /**
     * What is found of each sign in water of several kinds, with bubbles and without, and of numbers that climb and fall.
     *
     * @return array<string, list<stdClass>>
     */
    public static function findings(): array
    {
        $waters = [
            'fine' => ['ph' => 6.0, 'water_c' => 20, 'ec_ms_cm' => 1.2],
            'locked' => ['ph' => 7.4, 'water_c' => 20, 'ec_ms_cm' => 0.5],
            'sour and warm' => ['ph' => 4.9, 'water_c' => 26, 'ec_ms_cm' => 2.9],
            'cold' => ['ph' => 6.2, 'water_c' => 13],
        ];
        $tubs = ['bubbles' => Grown::kinds()['aerated bucket'], 'still' => ['crop' => 'rocket'] + Grown::kinds()['passive, topped up']];
        $findings = self::ofMeters();
        foreach ($tubs as $kind => $tub) {
            $garden = Grown::garden($tub, [['sown' => '2027-02-12']]);
            foreach ($waters as $water => $read) {
                foreach ([null, ...Sign::cases()] as $sign) {
                    $findings["$kind, $water, ".($sign->value ?? 'nothing seen')] = self::found($garden, [
                        [4, '18:00', ['level_mm' => 240, 'ph' => 6.1]],
                        [9, '18:00', ['level_mm' => 214, 'top_up_l' => 1.2, 'top_up_ec' => 0.8]],
                        [12, '18:00', ['level_mm' => 219, ...$read, ...($sign === null ? [] : ['signs' => [$sign->value]])]],
                    ], 12.9);
                }
            }
            foreach ([0.4, 0.7, 1.0, 1.5, 3.5] as $drop) {
                foreach ([-0.06, 0.0, 0.09] as $climb) {
                    $findings["$kind, falls $drop, climbs $climb"] = self::found($garden, array_map(static fn (int $n): array => [
                        2 + 2 * $n, '18:00', ['level_mm' => 245 - 4 * $drop * $n, 'ec_ms_cm' => 1.2 + $climb * $n, 'ph' => 6 + 0.12 * $n],
                    ], range(0, 6)), 14.9);
                }
            }
        }

        return $findings;
    }

    /** @return array<string, list<stdClass>> what is found of meters with bad habits */
    private static function ofMeters(): array
    {
        $every = static fn (int $count, callable $shows): array => array_map(static fn (int $n): array => [
            2 + intdiv($n, 24), sprintf('%02d:20', $n % 24), ['from' => 'meter', ...$shows($n)],
        ], range(0, $count - 1));
        $logs = [
            'well' => [$every(30, static fn (int $n): array => ['ph' => 6 + $n % 3 / 50, 'ec_ms_cm' => 1.2 + $n % 4 / 90]), 3.27],
            'stuck for five hours' => [$every(6, static fn (int $n): array => ['ph' => 6.1, 'ec_ms_cm' => 1.2 + $n / 300]), 2.23],
            'stuck for nine' => [$every(10, static fn (int $n): array => ['ph' => 6.1, 'ec_ms_cm' => 1.2 + $n / 300]), 2.4],
            'jumped' => [$every(9, static fn (int $n): array => ['ph' => $n === 8 ? 8.4 : 6 + $n / 40, 'ec_ms_cm' => 1.2 + $n / 90]), 2.36],
            'silent' => [$every(9, static fn (int $n): array => ['ph' => 6 + $n / 40]), 2.5],
            'drifts' => [[
                ...$every(24 * 12, static fn (int $n): array => ['ph' => 6 + $n / 1000 + $n % 2 / 60]),
                ...array_map(static fn (int $d): array => [$d, '08:25', ['ph' => 6.0 + $d / 900]], [3, 6, 9, 12]),
            ], 13.98],
        ];

        return array_combine(
            array_map(static fn (string $name): string => "a meter, $name", array_keys($logs)),
            array_map(static fn (array $log): array => self::found(Grown::garden(), ...$log), $logs),
        );
    }

    /**
     * @param  list<array{int, string, array<string, mixed>}>  $raws
     * @return list<stdClass>
     */
    private static function found(Garden $garden, array $raws, float $now): array
    {
        $entries = array_map(self::entry(...), $raws, array_keys($raws));

        return array_map(static fn (Suspicion $s): stdClass => $s->toReport(), Grown::copy($garden, $entries, $now)->suspicions());
    }

    /** @return array<string, array<string, mixed>> the parts of each diary */
    public static function parts(): array
    {
        $parts = [];
        foreach (self::scenes() as $name => [$tub, $plantings, $site, $raws, $now]) {
            $garden = Grown::garden($tub, $plantings, $site);
            $entries = array_map(self::entry(...), $raws, array_keys($raws));
            $diary = new Diary(Gardens::planner(), $garden, Entries::of($entries), Grown::day(0) + $now);
            $copy = $diary->copy($garden->tubs[0], 1);
            $items = $diary->days(Grown::day(-40), Grown::day(200));
            $parts[$name] = [
                ...get_object_vars(DiaryReport::of($copy, [])),
                'along' => DiaryReport::band($copy),
                'items' => array_map(static fn (Item $i): stdClass => $i->toReport($diary->today()), $items),
            ];
        }

        return $parts;
    }

    /** @param  array{int, string, array<string, mixed>}  $raw */
    private static function entry(array $raw, int $number): Entry
    {
        [$day, $time, $says] = $raw;
        $read = (new EntryReader(['p0' => ['tub', 1], 'p1' => ['tub', 1]]))->read(json_decode((string) json_encode([
            'id' => sprintf('01KEPT%020d', $number), 'tub' => 'tub', 'at' => Dates::text(Grown::day($day))."T$time", ...$says,
        ])));

        return $read instanceof Entry ? $read : throw new \LogicException((string) json_encode($read));
    }
}
