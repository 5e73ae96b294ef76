<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Log\Interval;
use KelpTub\Core\Log\Learning;
use KelpTub\Core\Log\MeterThinning;
use KelpTub\Core\Log\Sign;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\Season;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Gardens;
use Tests\Core\Grown;

/** @return array<string, string> what is wrong with an entry that says this; empty where it is read */
function entryFaults(array $says): array
{
    $raw = json_decode((string) json_encode(['id' => str_repeat('0', 26), 'tub' => 'tub', 'at' => '2027-04-18T07:40', ...$says]));
    $read = (new EntryReader(['p' => ['tub', 1], 'q' => ['other', 2]]))->read($raw);

    return $read instanceof Entry ? [] : $read;
}

/** What a reading on a day finds, by the forecast that nothing disturbs: at the end of it, or before noon at its start. */
function foundAt(Garden $garden, int $day, bool $morning): array
{
    $course = Grown::copy($garden)->forecast()[0];
    $of = $course->days[$day];
    $state = $morning ? ($day === 0 ? $course->fill : $course->days[$day - 1]->after) : $of->after;

    return array_filter([
        'level_mm' => $of->tub()->reservoir->levelFor($state->volume),
        'ec_ms_cm' => $state->ec(),
        'ph' => $state->ph,
        'water_c' => $state->water,
    ], static fn (?float $v): bool => $v !== null);
}

/**
 * What a grower with a thirst of their own reads at noon, by the season itself run with it; each with an error.
 *
 * @param  list<int>  $days
 * @return list<Entry>
 */
function thirstyLog(Garden $garden, float $drinks, array $days, Randomizer $chance, float $error = 1.0, float $eats = 1.0): array
{
    $feed = Gardens::fed($garden);
    $season = new Season($feed->season, $feed->weather, [], $drinks, $eats);
    $state = $season->start();
    $entries = [];
    for ($day = 0; ! $season->isOver($state) && $day <= max($days); $day++) {
        $row = $season->step($state, $feed->season->policy);
        $state = $row->after;
        $says = [];
        if (in_array($day, $days, true)) {
            $before = $state->volume - $row->topUp;
            $level = $feed->season->reservoir->levelFor($before) + $error * ($chance->getInt(-1000, 1000) / 1000);
            $says = ['level_mm' => max(0.0, $level)];
            if ($error === 0.0) {
                $says['ec_ms_cm'] = $row->topUp > 0.0 ? ($state->salt - $row->topUpEc * $row->topUp) / $before : $state->ec();
            }
        }
        if ($row->topUp > 0.0) {
            $says += ['top_up_l' => $row->topUp, 'top_up_ec' => $row->topUpEc];
        }
        if ($says !== []) {
            $entries[] = Grown::entry($day, '23:59', $says);
        }
    }

    return $entries;
}

it('refuses what cannot be, and says what it may have meant', function (array $says, string $member, string $why) {
    expect(entryFaults($says))->toHaveKey($member)->and(entryFaults($says)[$member])->toContain($why);
})->with([
    [['ph' => 63], 'ph', 'did it mean 6.3?'],
    [['ph' => 14.1], 'ph', 'it lies from 0 to 14'],
    [['ec_ms_cm' => 230], 'ec_ms_cm', 'it lies from 0 to 10'],
    [['ec_ms_cm' => 1700], 'ec_ms_cm', 'did it mean 1.7 mS/cm'],
    [['ec_ms_cm' => 17], 'ec_ms_cm', 'did it mean 1.7 mS/cm'],
    [['level_mm' => -1], 'level_mm', 'from 0 to 3000'],
    [['level_mm' => '21 cm'], 'level_mm', 'is not a number'],
    [['water_c' => 72], 'water_c', 'from -2 to 60'],
    [['top_up_l' => 1001], 'top_up_l', 'from 0 to 1000'],
    [['picked' => 1.5], 'picked', 'is a whole number'],
    [['signs' => ['blue-roots']], 'signs', 'has "blue-roots"'],
    [['dose' => ['A' => 3]], 'dose', 'of "A" has an amount'],
    [['dose' => ['A' => ['ml' => -1]]], 'dose', 'of "A" is -1'],
    [['at' => '2027-04-31T07:40', 'ph' => 6], 'at', 'is no moment'],
    [['at' => '2027-04-18T24:00', 'ph' => 6], 'at', 'is no moment'],
    [['id' => 'short', 'ph' => 6], 'id', '26 letters'],
    [['tub' => null, 'ph' => 6], 'tub', 'is missing'],
    [['tub' => null, 'planting' => 'x', 'ph' => 6], 'planting', 'no planting of this garden'],
    [['planting' => 'q', 'ph' => 6], 'planting', 'stands in another tub'],
    [['copy' => 51, 'ph' => 6], 'copy', 'from 1 to 50'],
    [['note' => str_repeat('x', 2001)], 'note', 'at most 2000'],
    [['from' => 'stars', 'ph' => 6], 'from', 'hand, meter, import'],
    [['replaces' => str_repeat('1', 26), 'strikes' => str_repeat('1', 26)], 'strikes', 'besides'],
    [['ph' => null, 'signs' => [], 'change' => false], 'note', 'says nothing'],
]);

it('takes what is at the edge', function (array $says) {
    expect(entryFaults($says))->toBe([]);
})->with([
    [['ph' => 14]], [['ph' => 0]], [['ec_ms_cm' => 10]], [['level_mm' => 3000]], [['water_c' => -2]], [['top_up_l' => 1000]],
    [['note' => str_repeat('ö', 2000)]],
    [['signs' => array_column(Sign::cases(), 'value')]], [['tub' => null, 'planting' => 'q', 'ph' => 6]],
    [['at' => '2027-04-18T07:40:30', 'change' => true]], [['strikes' => str_repeat('1', 26)]],
]);

it('lets the later of two entries count, in whichever order they come', function () {
    $first = Grown::entry(1, '08:00', ['ph' => 6.9]);
    $right = Grown::entry(1, '08:00', ['ph' => 5.9, 'replaces' => $first->id]);
    $again = Grown::entry(1, '08:00', ['ph' => 6.0, 'replaces' => $first->id]);
    $gone = Grown::entry(2, '08:00', ['ph' => 7.0]);
    $strike = Grown::entry(3, '08:00', ['strikes' => $gone->id]);
    $waits = Grown::entry(4, '08:00', ['ph' => 5.5, 'replaces' => str_repeat('9', 26)]);
    $ids = static fn (array $all): array => array_column(Entries::of($all)->all, 'id');

    expect($ids([$again, $strike, $first, $gone, $right, $waits]))->toBe([$again->id])
        ->and($ids([$first, $right, $again, $gone]))->toBe([$again->id, $gone->id])
        ->and($ids([$strike]))->toBe([]);
});

it('thins what a meter read long ago, and nothing that was read by hand', function () {
    $at = static fn (int $day, string $time, string $from, string $tub = 'tub'): stdClass => (object) [
        'at' => Dates::text(Grown::day($day))."T$time", 'from' => $from, 'tub' => $tub, 'copy' => 1,
    ];
    $raws = [
        $at(0, '06:00', 'meter'), $at(0, '05:00', 'meter'), $at(0, '07:00', 'hand'), $at(0, '08:00', 'meter'),
        // From thirty days before its last one on, one an hour; for two days all.
        $at(1, '05:00', 'meter'), $at(1, '05:40', 'meter'), $at(1, '06:00', 'meter'), $at(1, '06:10', 'hand'),
        $at(28, '23:10', 'meter'), $at(28, '23:20', 'meter'), $at(29, '00:00', 'meter'), $at(29, '00:10', 'meter'),
        $at(31, '05:00', 'meter'), $at(31, '05:01', 'meter'),
        // Another tub's goes by its own last one.
        $at(0, '06:00', 'meter', 'other'), $at(0, '06:01', 'meter', 'other'),
        $at(60, '05:00', 'hand'),
    ];
    $kept = array_map(static fn (stdClass $raw): int|string => array_search($raw, $raws, true), MeterThinning::of($raws));

    expect($kept)->toBe([1, 2, 4, 6, 7, 8, 10, 11, 12, 13, 14, 15, 16])
        ->and(MeterThinning::of([]))->toBe([])->and(MeterThinning::of([$raws[2]]))->toBe([$raws[2]]);
});

it('finds each fault of a file’s entries by its place', function () {
    $of = static fn (array $entries): array => Gardens::faults(json_encode([
        'format' => 'kelp-tub.garden', 'version' => 1,
        'tubs' => [['id' => 'tub', 'system' => 'passive', 'vessel' => 'bucket-20']],
        'entries' => $entries,
    ], JSON_THROW_ON_ERROR));
    $sound = ['id' => str_repeat('0', 26), 'tub' => 'tub', 'at' => '2027-04-18T07:40', 'ph' => 6.3];

    expect($of([$sound]))->toBe([])
        ->and($of([$sound, $sound])[0])->toContain('/entries/1/id: is "000')
        ->and($of([$sound, ['id' => str_repeat('1', 26)] + ['ph' => 63] + $sound])[0])->toContain('/entries/1/ph: is 63')
        // Those of a tub that is gone wait for it.
        ->and($of([['tub' => 'gone'] + $sound]))->toBe([]);
});

it('goes on as if nothing had happened where the log says what was forecast, from every day', function (array $tub) {
    $garden = Grown::garden($tub);
    $free = Grown::copy($garden)->forecast()[0];
    foreach (range(1, count($free->days) - 2, max(1, intdiv(count($free->days), 9))) as $day) {
        foreach ([true, false] as $morning) {
            $says = foundAt($garden, $day, $morning);
            $with = Grown::copy($garden, [Grown::entry($day, $morning ? '08:00' : '19:00', $says)])->forecast()[0];
            expect(count($with->days))->toBe(count($free->days));
            foreach ($with->days as $i => $of) {
                expect($of->after->volume)->toEqualWithDelta($free->days[$i]->after->volume, 1e-9)
                    ->and($of->after->salt ?? 0.0)->toEqualWithDelta($free->days[$i]->after->salt ?? 0.0, 1e-9)
                    ->and(array_sum($of->after->thriven))->toEqualWithDelta(array_sum($free->days[$i]->after->thriven), 1e-9);
            }
        }
    }
})->with(array_map(static fn (array $tub): array => [$tub], Grown::kinds()));

it('goes on as forecast where all that was planned is written down as done', function () {
    $garden = Grown::garden(Grown::kinds()['aerated tote of two crops']);
    $free = Grown::copy($garden)->forecast()[0];
    $entries = [];
    foreach (array_slice($free->days, 0, 50) as $i => $day) {
        if ($day->day->isVisited()) {
            $litres = $day->day->topUp;
            $entries[] = Grown::entry($i, '20:00', array_filter([
                'change' => $day->day->change,
                'top_up_l' => $litres,
                'top_up_ec' => $day->day->change ? $day->after->ec() : $day->day->topUpEc,
                // 1.2 mS/cm come of 0.6 g of A and 0.4 g of B to a litre.
                'dose' => $day->day->stronger > 0.0
                    ? ['A' => ['g' => 0.6 * $day->day->stronger / 1.2], 'B' => ['g' => 0.4 * $day->day->stronger / 1.2]]
                    : null,
            ]));
        }
    }
    $with = Grown::copy($garden, $entries)->forecast()[0];

    expect(count($entries))->toBeGreaterThan(4);
    foreach ($with->days as $i => $of) {
        expect($of->after->volume)->toEqualWithDelta($free->days[$i]->after->volume, 1e-9)
            ->and($of->after->salt)->toEqualWithDelta($free->days[$i]->after->salt, 1e-8);
    }
});

it('goes on from a reading, before noon and after it', function () {
    $garden = Grown::garden(['reservoir_change' => 'never', 'top_ups' => 'none']);
    $morning = Grown::copy($garden, [Grown::entry(10, '08:00', ['level_mm' => 150, 'ec_ms_cm' => 2.0])])->forecast()[0];
    $evening = Grown::copy($garden, [Grown::entry(10, '19:00', ['level_mm' => 150, 'ec_ms_cm' => 2.0])])->forecast()[0];
    $litres = $morning->days[10]->tub()->reservoir->litresAt(150.0);

    expect($morning->days[10]->before->volume)->toBe($litres)
        ->and($morning->days[10]->after->volume)->toBe($litres - $morning->days[10]->day->use)
        ->and($evening->days[10]->after->volume)->toBe($litres)
        ->and($evening->days[10]->after->ec())->toEqualWithDelta(2.0, 1e-12)
        ->and($evening->days[11]->before->volume)->toBe($litres);
});

it('puts in what the log tells, and what is not written down was not done', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $free = Grown::copy($garden)->forecast()[0];
    $first = null;
    foreach ($free->days as $i => $day) {
        $first ??= $day->day->topUp > 0.0 ? $i : null;
    }
    // A grower who writes down a little top-up on day 2 keeps a log: the one that was due later was not done.
    $log = [Grown::entry(2, '08:00', ['top_up_l' => 0.2])];
    $kept = Grown::copy($garden, $log, $first + 3.5)->forecast()[0];
    $silent = Grown::copy($garden, [Grown::entry(2, '08:00', ['note' => 'looked'])], $first + 3.5)->forecast()[0];

    expect($kept->days[2]->before->volume - $kept->days[1]->after->volume)->toEqualWithDelta(0.2, 1e-9)
        ->and(array_sum(array_map(static fn ($d): float => $d->day->topUp, array_slice($kept->days, 0, $first + 3))))->toBe(0.0)
        ->and($kept->days[$first + 3]->day->topUp)->toBeGreaterThan(0.0)
        ->and($silent->days[$first]->day->topUp)->toBeGreaterThan(0.0);
});

it('takes no more into a tub than it holds, and wets one that ran dry', function () {
    $garden = Grown::garden(['vessel' => 'jar-1', 'system' => 'passive', 'crop' => 'basil', 'top_ups' => 'none']);
    $brim = Grown::copy($garden)->forecast()[0]->days[0]->tub()->brim;
    $over = Grown::copy($garden, [Grown::entry(5, '19:00', ['top_up_l' => 50])])->forecast()[0];
    $dry = Grown::copy(
        $garden,
        [Grown::entry(5, '08:00', ['level_mm' => 0]), Grown::entry(6, '19:00', ['top_up_l' => 0.4])],
    )->forecast()[0];

    expect($over->days[5]->after->volume)->toEqualWithDelta($brim, 1e-9)
        ->and($dry->days[5]->after->volume)->toBe(0.0)
        ->and($dry->days[6]->after->volume)->toEqualWithDelta(0.4, 1e-9);
});

it('learns a factor as it is worked by hand', function () {
    // Σof = 1.1 + 4.6 + 9.9 = 15.6, Σf² = 14: k = 1.114286; off by −0.014286, 0.071429, −0.042857: s = √(0.007143/(2·14)) = 0.015972.
    $learned = Learning::of([new Interval(0, 1, 1.1, 1.0), new Interval(1, 2, 2.3, 2.0), new Interval(2, 3, 3.3, 3.0)]);

    expect($learned->factor)->toEqualWithDelta(1.114286, 1e-6)
        ->and($learned->spread)->toEqualWithDelta(0.015972, 1e-6)
        ->and($learned->low)->toEqualWithDelta(1.114286 - 4.303 * 0.015972, 1e-5)
        ->and($learned->high)->toEqualWithDelta(1.114286 + 4.303 * 0.015972, 1e-5)
        ->and($learned->isUsed())->toBeTrue()
        ->and(Learning::of([new Interval(0, 1, 1.1, 1.0), new Interval(1, 2, 2.3, 2.0)])->isUsed())->toBeFalse()
        ->and(Learning::of([]))->toBeNull();
});

it('leaves out what lies far off from five intervals on, and keeps a factor within 0.3 to 3', function () {
    $near = array_map(static fn (int $i): Interval => new Interval($i, $i + 1, 1.2 + 0.01 * ($i % 3), 1.0), range(0, 4));
    $wild = new Interval(9, 10, 4.0, 1.0);

    expect(Learning::of([...$near, $wild])->intervals)->toBe(5)
        ->and(Learning::of([...$near, $wild])->leftOut[0])->toBe(['from' => 9.0, 'to' => 10.0, 'why' => 'it lies far off the others'])
        ->and(Learning::of([...array_slice($near, 0, 3), $wild])->intervals)->toBe(4)
        ->and(Learning::of(array_fill(0, 4, new Interval(0, 1, 9.0, 1.0)))->factor)->toBe(3.0)
        ->and(Learning::of(array_fill(0, 4, new Interval(0, 1, 0.1, 1.0)))->factor)->toBe(0.3);
});

it('leaves out those that lie over 3 × 1.4826 times the median residual off, of odd and of even many, and no others', function () {
    $chance = new Randomizer(new Mt19937(11));
    $odd = $even = 0;
    for ($round = 0; $round < 200; $round++) {
        $many = $chance->getInt(4, 12);
        $intervals = array_map(static fn (int $n): Interval => new Interval(
            $n,
            $n + 1,
            ($chance->getInt(0, 3) === 0 ? $chance->getInt(100, 400) : $chance->getInt(190, 210)) / 100,
            $chance->getInt(90, 110) / 100,
        ), range(0, $many - 1));
        $k = array_sum(array_map(static fn (Interval $i): float => $i->observed * $i->forecast, $intervals))
            / array_sum(array_map(static fn (Interval $i): float => $i->forecast ** 2, $intervals));
        $off = array_map(static fn (Interval $i): float => abs($i->observed - $k * $i->forecast), $intervals);
        $sorted = $off;
        sort($sorted);
        // The mean of the two in the middle, which are one where there is an odd number of them.
        $median = ($sorted[intdiv($many - 1, 2)] + $sorted[intdiv($many, 2)]) / 2;
        $far = $many < 5 ? [] : array_keys(array_filter($off, static fn (float $o): bool => $o > 3 * 1.4826 * $median));
        expect(array_map(intval(...), array_column(Learning::of($intervals)->leftOut ?? [], 'from')))->toBe($far);
        [$odd, $even] = [$odd + ($far !== [] && $many % 2 === 1 ? 1 : 0), $even + ($far !== [] && $many % 2 === 0 ? 1 : 0)];
    }
    expect(min($odd, $even))->toBeGreaterThan(10);
});

it('holds the thirst of the plants in its range in at least 92 of 100 logs from five intervals on', function () {
    $chance = new Randomizer(new Mt19937(20270301));
    $kinds = [
        Grown::garden(['reservoir_change' => 'never']),
        Grown::garden(
            ['vessel' => 'tote-45', 'crop' => 'chilli', 'reservoir_change' => 'never', 'layout' => ['pattern' => 'best', 'cups' => 2]]
        ),
        Grown::garden(['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'basil', 'top_ups' => 'quarter']),
    ];
    $held = 0;
    for ($log = 0; $log < 100; $log++) {
        $garden = $kinds[$log % 3];
        $drinks = $chance->getInt(60, 160) / 100;
        // Readings at odd days, some of them missing, one of them wrong.
        $days = [$chance->getInt(6, 12)];
        while (count($days) < $chance->getInt(7, 11)) {
            $days[] = $days[count($days) - 1] + $chance->getInt(2, 4);
        }
        $entries = thirstyLog($garden, $drinks, $days, $chance, 1.5);
        $wrong = $chance->getInt(0, count($entries) - 1);
        if ($log % 2 === 0 && count($entries) > 8 && isset($entries[$wrong]->raw->level_mm)) {
            $says = (array) clone $entries[$wrong]->raw;
            $entries[$wrong] = Grown::entry($entries[$wrong]->day - Grown::day(0), '23:59', ['level_mm' => $says['level_mm'] + 40]
                + array_intersect_key($says, ['top_up_l' => 1, 'top_up_ec' => 1]));
        }
        $learned = Grown::copy($garden, $entries)->uses();
        $held += $learned !== null && $drinks >= $learned->low && $drinks <= $learned->high ? 1 : 0;
    }

    expect($held)->toBeGreaterThanOrEqual(92);
});

it('learns thirst and appetite as they are where nothing is misread, and goes on with them', function () {
    $garden = Grown::garden(['reservoir_change' => 'never', 'crop' => 'chilli', 'cup' => 'net-cup-75']);
    $entries = thirstyLog($garden, 1.3, [10, 14, 18, 22, 26, 30], new Randomizer(new Mt19937(1)), 0.0, 0.8);
    $diary = Grown::copy($garden, $entries);

    expect($diary->uses()->factor)->toEqualWithDelta(1.3, 0.01)
        ->and($diary->eatsLearned()->factor)->toEqualWithDelta(0.8, 0.03)
        ->and($diary->forecast()[0]->days[34]->day->thirst)
        ->toEqualWithDelta($diary->uses()->factor * $diary->base()[0]->days[34]->day->thirst, 1e-9)
        // What is learned narrows the band.
        ->and($diary->band()[0][0]->days[34]->day->thirst)->toBeLessThan(1.5 * $diary->base()[0]->days[34]->day->thirst);
});

it('leaves out of what it learns intervals that cannot tell', function (array $second, string $why, array $garden = []) {
    $tub = Grown::garden(['reservoir_change' => 'never'], garden: $garden);
    $diary = Grown::copy($tub, [
        Grown::entry(5, '08:00', ['level_mm' => 230, 'top_up_l' => 0.1]),
        Grown::entry(8, '08:00', $second),
        Grown::entry(11, '08:00', ['level_mm' => 226]),
    ]);

    expect(array_column($diary->intervals()->uses(), 'leftOut'))->toContain($why);
})->with([
    'a change of the water' => [['level_mm' => 228, 'change' => true], 'the water was changed'],
    'water that nobody wrote down' => [['level_mm' => 240], 'water came in that is not noted'],
    'a dry tub' => [['level_mm' => 0], 'it ran dry'],
    'rain' => [
        ['level_mm' => 228], 'it rained in',
        [
            'site' => [
                'setting' => 'open',
                'weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'seed' => 1, 'start' => '2027-03-01'],
            ],
        ],
    ],
]);

it('takes an entry up to its bounds and none beyond', function (array $in, array $beyond) {
    expect(entryFaults($in))->toBe([])->and(array_keys(entryFaults($beyond)))->toBe(array_keys($beyond));
})->with([
    'level' => [['level_mm' => 0], ['level_mm' => -0.1]], 'level above' => [['level_mm' => 3000], ['level_mm' => 3000.1]],
    'EC' => [['ec_ms_cm' => 10], ['ec_ms_cm' => 10.1]], 'pH' => [['ph' => 14], ['ph' => 14.01]],
    'cold' => [['water_c' => -2], ['water_c' => -2.1]], 'hot' => [['water_c' => 60], ['water_c' => 60.1]],
    'litres' => [['top_up_l' => 1000], ['top_up_l' => 1000.1]], 'grams' => [['harvest_g' => 100_000], ['harvest_g' => 100_001]],
    'picked none' => [['picked' => 0, 'note' => 'x'], ['picked' => -1]], 'picked many' => [['picked' => 10_000], ['picked' => 10_001]],
    'dose' => [['dose' => ['A' => ['ml' => 10_000]]], ['dose' => ['A' => ['ml' => 10_001]]]],
    'note' => [['note' => str_repeat('ü', 2000)], ['note' => str_repeat('ü', 2001)]],
    'deed' => [['did' => [str_repeat('x', 120)]], ['did' => [str_repeat('x', 121)]]],
    'deed that is none' => [['did' => ['x']], ['did' => [3]]],
]);

it('asks of an EC what it may have meant, from a hundred on in microsiemens', function (float $ec, string $meant) {
    expect(entryFaults(['ec_ms_cm' => $ec])['ec_ms_cm'])->toContain("did it mean $meant");
})->with([[17.0, '1.7 mS/cm'], [99.0, '9.9 mS/cm'], [100.0, '0.1 mS/cm from µS/cm'], [1700.0, '1.7 mS/cm from µS/cm']]);

it('widens what was learned by Student’s t of one less than its intervals', function (int $intervals, float $t) {
    // Spread evenly about one, none of them far off.
    $learned = Learning::of(array_map(
        static fn (int $i): Interval => new Interval($i, $i + 1, 1.0 + ($i % 2 === 0 ? 0.1 : -0.1), 1.0),
        range(1, $intervals),
    ));
    expect(($learned->high - $learned->factor) / $learned->spread)->toEqualWithDelta($t, 5e-4);
})->with([
    [3, 4.303], [4, 3.182], [5, 2.776], [6, 2.571], [7, 2.447], [9, 2.306], [11, 2.228], [12, 2.201], [13, 2.179], [16, 2.131], [21, 2.086],
]);
