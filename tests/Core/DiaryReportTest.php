<?php

declare(strict_types=1);

use KelpTub\Core\Days\CourseDay;
use KelpTub\Core\Days\Frost;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Diary\DiaryReport;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\Nobody;
use KelpTub\Core\Season\Season;
use Tests\Core\Corpus;
use Tests\Core\Diaries;
use Tests\Core\Gardens;
use Tests\Core\Grown;

// What a diary says, figure by figure; and that all of it is said as it was.

it('says of every kept log what it said', function () {
    $kept = Corpus::kept('diaries');
    $marks = array_map(Corpus::marksOf(...), Diaries::parts());
    if (getenv('KELP_CORPUS') === 'write') {
        Corpus::keep($marks, 'diaries');
        $kept = Corpus::kept('diaries');
    }
    $changed = [];
    foreach ($marks as $name => $parts) {
        foreach ([...$parts, ...($kept[$name] ?? [])] as $part => $_) {
            if (($parts[$part] ?? null) !== ($kept[$name][$part] ?? null)) {
                $changed[] = "$name: $part";
            }
        }
    }
    expect($changed)->toBe([])->and(array_keys($kept))->toBe(array_keys($marks));
});

it('finds in every kept water and of every sign what it found', function () {
    $marks = ['findings' => Corpus::marksOf(Diaries::findings())];
    if (getenv('KELP_CORPUS') === 'write') {
        Corpus::keep($marks, 'diagnoses');
    }
    $kept = Corpus::kept('diagnoses')['findings'];
    expect(array_keys(array_diff_assoc($marks['findings'], $kept)))->toBe([])->and(array_keys($marks['findings']))->toBe(array_keys($kept))
        ->and(count(array_unique($kept)))->toBeGreaterThan(60);
});

/** @return list<array{int, string}> day after the start and what is said, of one kind or of all */
function saidOn(Garden $garden, ?string $kind = null, array $entries = [], float $now = -30.0): array
{
    $items = Grown::diary($garden, $entries, $now)->days(Grown::day(-60), Grown::day(300));

    return array_values(array_map(
        static fn (Item $i): array => [$i->date - Grown::day(0), $i->says],
        array_filter($items, static fn (Item $i): bool => $kind === null || $i->kind === $kind),
    ));
}

it('cares for what is sown in plugs by the crop’s own days', function () {
    $crop = Gardens::library()->crops->get('basil');
    $tub = ['crop' => 'basil', 'vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 2]];
    $garden = Grown::garden($tub, ['sown' => '2027-02-01', 'transplanted' => null]);
    $sown = Dates::number('2027-02-01') - Grown::day(0);
    $up = $sown + $crop->daysGerminate;
    $seeds = $crop->sowing->seeds;

    expect(saidOn($garden, 'sow'))->toBe([[$sown, 'Sow basil in 2 plugs']])
        ->and(saidOn($garden, 'sprout'))->toBe([[$up, 'Basil: up by now']])
        ->and(array_column(saidOn($garden, 'thin'), 1))->toBe($crop->sowing->isThinned() ? ['Thin basil'] : [])
        // On the round of all tubs that is nearest.
        ->and(abs((saidOn($garden, 'thin')[0][0] ?? $up + 5) - $up - 5))->toBeLessThanOrEqual(2)
        ->and(saidOn($garden, 'set-in'))->toBe([[$sown + $crop->daysSowToTransplant, 'Set in basil, 2 cups']])
        ->and(saidOn($garden, 'pinch'))->toHaveCount(1)->and(saidOn($garden, 'support'))->toBe([])
        ->and($seeds)->toBeGreaterThan(1);
    $sow = array_values(array_filter(
        Grown::diary($garden, now: -40.0)->days(Grown::day(-60), Grown::day(0)),
        static fn (Item $i): bool => $i->kind === 'sow',
    ))[0];
    expect($sow->why)->toStartWith("$seeds seeds to each");
});

it('says one where it is one, and cup where it is sown in its cup', function () {
    $one = ['vessel' => 'bucket-20', 'layout' => ['pattern' => 'single', 'cups' => 1]];
    $said = static fn (string $crop, string $started): string => saidOn(
        Grown::garden(['crop' => $crop, 'started' => $started] + $one, ['sown' => '2027-02-01', 'transplanted' => null]),
        'sow',
    )[0][1];

    expect($said('lettuce-leaf', 'plug'))->toBe('Sow leaf lettuce in 1 plug')
        ->and($said('lettuce-leaf', 'seed'))->toBe('Sow leaf lettuce in 1 cup');
});

it('pinches herbs that bear on at two fifths of their way, and ties up what climbs or wants a stake at three tenths', function () {
    $dayOf = static function (string $crop, float $way): int {
        $course = Grown::copy(Grown::garden(['crop' => $crop]))->forecast()[0];
        foreach ($course->days as $day) {
            if ($day->tub()->stands[0]->wayTo($day->after->ages[0]) >= $way) {
                return $day->date - Grown::day(0);
            }
        }

        return -1;
    };
    [$pinch] = saidOn(Grown::garden(['crop' => 'basil']), 'pinch');
    [$tie] = saidOn(Grown::garden(['crop' => 'chilli', 'cup' => 'net-cup-75']), 'support');
    // It goes with another visit within two days.
    expect(abs($pinch[0] - $dayOf('basil', 0.4)))->toBeLessThanOrEqual(2)
        ->and(abs($tie[0] - $dayOf('chilli', 0.3)))->toBeLessThanOrEqual(2)->and($tie[1])->toBe('Tie chilli pepper up')
        ->and(saidOn(Grown::garden(['crop' => 'lettuce-leaf']), 'pinch'))->toBe([]);
});

it('picks from the first harvest to the last, and clears then', function (string $crop, int $every) {
    $garden = Grown::garden(['crop' => $crop, 'cup' => 'net-cup-75']);
    $fate = Grown::copy($garden)->forecast()[0]->fates[0];
    [$first, $last] = [(int) ceil($fate->firstHarvest) - Grown::day(0), (int) ceil($fate->lastHarvest) - Grown::day(0)];
    $diary = Grown::diary($garden, now: 0.0);
    $items = array_values(array_filter($diary->days(Grown::day(0), Grown::day(500)), static fn (Item $i): bool => $i->kind === 'pick'));
    $due = [$first];
    for ($day = $first + $every; $day < $last; $day += $every) {
        $due[] = $day;
    }

    expect(count($items))->toBe(count($due))->and($items[0]->key)->toBe('p0/pick')->and($items[1]->key ?? 'p0/pick/2')->toBe('p0/pick/2');
    foreach ($items as $n => $item) {
        // Picking waits for another visit by two days at most, and is never before its time.
        expect($item->date - Grown::day(0) - $due[$n])->toBeGreaterThanOrEqual(0)->toBeLessThanOrEqual(2);
    }
    expect(saidOn($garden, 'clear')[0][0])->toBe($last);
})->with([['lettuce-leaf', 7], ['basil', 7], ['chilli', 4]]);

it('looks at every tub on the same two days of a week, on one where water stands still, and in time', function (
    array $tub,
    array $weekdays,
    ?array $free,
    int $most,
) {
    $site = $free === null ? [] : ['visit_weekdays' => $free];
    foreach (range(0, 6) as $shift) {
        $set = Dates::text(Grown::day($shift));
        $garden = Grown::garden(
            ['reservoir_change' => 'never', 'top_ups' => 'none'] + $tub,
            ['transplanted' => $set, 'stage' => 'plug'],
            ['site' => (object) $site],
        );
        // Before anything else that it could go with has a day of its own.
        $days = array_column(saidOn($garden, 'check', now: (float) $shift), 0);
        $days = array_values(array_filter($days, static fn (int $day): bool => $day >= $shift + 2 && $day <= $shift + 21));
        expect(array_values(array_unique(array_map(static fn (int $day): int => (Grown::day($day) - 4) % 7, $days))))
            ->toEqualCanonicalizing($weekdays);
        foreach ($days as $n => $day) {
            expect($day - ($days[$n - 1] ?? $shift))->toBeLessThanOrEqual($most);
        }
    }
})->with([
    'with bubbles' => [[], [2, 6], null, 5],
    'still' => [Grown::kinds()['passive, topped up'], [6], null, 8],
    'on Saturdays alone' => [[], [5], [5], 8],
    'on Mondays and Fridays' => [[], [0, 4], [0, 4], 5],
    'at weekends' => [[], [6], [5, 6], 8],
    'any but Wednesdays and Sundays' => [[], [0, 3], [0, 1, 3, 4, 5], 5],
]);

it('does not look a day after something was written down, and looks once on a day after an absence', function () {
    // The start is a Monday: after an entry of the Tuesday the round of the Wednesday is left out.
    $garden = Grown::garden(['reservoir_change' => 'never', 'top_ups' => 'none'], ['transplanted' => '2027-02-20', 'stage' => 'plug']);
    $first = static fn (int $day): int => saidOn($garden, 'check', [Grown::entry($day, '08:00', ['level_mm' => 200])], $day + 0.5)[0][0];
    expect($first(0))->toBe(2)->and($first(1))->toBe(6);
    // Not looked at since the Monday before last it is due today, a Tuesday, though the round is tomorrow: that one goes with it.
    $late = array_column(saidOn($garden, 'check', [Grown::entry(-7, '08:00', ['level_mm' => 200])], 1.5), 0);
    expect(array_slice($late, 0, 4))->toBe([1, 6, 9, 13]);

    $away = Grown::garden(['reservoir_change' => 'never', 'top_ups' => 'none'], [], [
        'site' => ['away' => [['from' => '2027-03-09', 'to' => '2027-03-22']]],
    ]);
    $days = array_column(saidOn($away, 'check', now: 0.0), 0);
    expect(count(array_unique($days)))->toBe(count($days));
});

it('says by when a top-up still does: before the day on which the thirstiest of the band has drunk all that is of use', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $copy = Grown::copy($garden, [], 0.0);
    $topUp = array_values(array_filter(
        Grown::diary($garden, now: 0.0)->days(Grown::day(0), Grown::day(60)),
        static fn (Item $i): bool => $i->kind === 'top-up',
    ))[0];
    $day = $copy->dayOf($copy->forecast(), $topUp->date);
    $thirsty = new Season($day->tub(), $day->season->weather, [], 1 + Season::RANGE);
    $state = $day->before;
    for ($date = $topUp->date; $state->volume >= $day->tub()->dryLitres; $date++) {
        $state = $thirsty->step($state, new Nobody)->after;
    }

    expect($topUp->by)->toBe(max($topUp->date, $date - 2));
});

it('goes straight from morning to evening', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $day = Grown::copy($garden)->forecast()[0]->days[10];
    $at = static fn (float $part) => Grown::copy($garden, [], 10 + $part)->state();
    $evening = $day->before->volume - $day->day->use;

    expect($at(0.0)->volume)->toBe($day->before->volume)
        ->and($at(0.25)->volume)->toEqualWithDelta($day->before->volume - $day->day->use / 4, 1e-9)
        ->and($at(0.5)->ec())->toEqualWithDelta(
            $day->before->ec() + 0.5 * (($day->before->salt - $day->day->uptake) / $evening - $day->before->ec()),
            1e-9,
        )
        ->and($at(0.75)->water)->toEqualWithDelta($day->before->water + 0.75 * ($day->day->after->water - $day->before->water), 1e-9);
});

it('holds each reading against what was forecast for it: in the morning, and in the evening before anything is done', function () {
    $garden = Grown::garden();
    $days = Grown::copy($garden)->forecast()[0]->days;
    $entries = [Grown::entry(5, '08:00', ['level_mm' => 200, 'ph' => 6]), Grown::entry(5, '20:00', ['level_mm' => 199])];
    $morning = Grown::copy($garden, [$entries[0]])->compared()[0];
    $evening = Grown::copy($garden, [Grown::entry(5, '20:00', ['level_mm' => 199])])->compared()[0];
    $row = $days[5];

    expect($morning->forecast->litres)->toBe($days[4]->after->volume)->and($morning->forecast->ec)->toBe($days[4]->after->ec())
        ->and($morning->forecast->celsius ?? $morning->forecast->water ?? null)->toBe($days[4]->after->water)
        ->and($evening->forecast->litres)->toEqualWithDelta($row->before->volume - $row->day->use, 1e-12)
        ->and($evening->forecast->ec)->toEqualWithDelta(
            ($row->before->salt - $row->day->uptake) / ($row->before->volume - $row->day->use),
            1e-12,
        )
        ->and($evening->forecast->ph)->toBe($row->tub()->acidity->afterDay($row->before->ph));
});

it('reckons what plants took up between two readings from what was there, what came and what is left', function () {
    $garden = Grown::garden(['reservoir_change' => 'never'], garden: ['water' => ['source' => 'tap', 'ec_ms_cm' => 0.3, 'ph' => 7.2]]);
    $says = static fn (array $second, array $third = []) => Grown::copy($garden, [
        Grown::entry(4, '18:00', ['level_mm' => 230, 'ec_ms_cm' => 1.2]),
        Grown::entry(6, '18:00', $second),
        Grown::entry(8, '18:00', ['level_mm' => 225, 'ec_ms_cm' => 1.1, ...$third]),
    ])->intervals();
    $reservoir = Grown::copy($garden)->forecast()[0]->days[0]->tub()->reservoir;
    [$from, $to] = [$reservoir->litresAt(230.0), $reservoir->litresAt(225.0)];
    $known = $says(['top_up_l' => 2.0, 'top_up_ec' => 0.8])->uptakes()[0];
    $use = $says(['top_up_l' => 2.0, 'top_up_ec' => 0.8])->uses()[0];

    expect($use->observed)->toEqualWithDelta($from + 2.0 - $to, 1e-9)
        ->and($known->observed)->toEqualWithDelta(1.2 * $from + 1.6 - 1.1 * $to, 1e-9)->and($known->leftOut)->toBeNull()
        // What was stirred in counts with the water's own.
        ->and($says(['top_up_l' => 2.0, 'dose' => ['A' => ['g' => 1.2], 'B' => ['g' => 0.8]]])->uptakes()[0]->observed)
        ->toBeGreaterThan(1.2 * $from + 0.6 - 1.1 * $to + 0.2)
        ->and((string) $says(['top_up_l' => 2.0])->uptakes()[0]->leftOut)->toContain('how strong the top-up was')
        ->and($says(['change' => true])->uses()[0]->leftOut)->toContain('changed')
        ->and($says(['ph' => 6])->uses()[0]->leftOut)->toBe($says(['ph' => 6.1])->uses()[0]->leftOut);
    // Half a day at either end counts as half a day.
    $days = Grown::copy($garden, [Grown::entry(6, '12:00', ['top_up_l' => 0.01])])->base()[0]->days;
    $half = $says(['note' => 'x', 'top_up_l' => 0.01, 'top_up_ec' => 0.3])->uses()[0];
    expect($half->forecast)->toBeGreaterThan(3.9 * $days[5]->day->thirst)->toBeLessThan(4.1 * $days[7]->day->thirst);
});

it('adds up what was picked and poured, and sets it against the forecast', function () {
    $garden = Grown::garden(['reservoir_change' => 'never', 'layout' => ['pattern' => 'grid', 'cups' => 2]]);
    $entries = [
        Grown::entry(10, '18:00', ['top_up_l' => 3.0, 'top_up_ec' => 0.5]),
        Grown::entry(35, '18:00', ['harvest_g' => 120]), Grown::entry(36, '18:00', ['harvest_g' => 30, 'picked' => 2]),
        Grown::entry(37, '18:00', ['picked' => 1]),
    ];
    $copy = Grown::copy($garden, $entries, 38.0);
    $harvest = DiaryReport::of($copy, [])->harvest;
    $fill = $copy->base()[0]->fill->volume;

    expect($harvest->grams)->toBe(150.0)->and($harvest->picked)->toBe(3)->and($harvest->plants)->toBe(2)
        ->and($harvest->a_plant_g)->toBe(75.0)
        ->and($harvest->water_l)->toEqualWithDelta($fill + 3.0, 1e-9)
        ->and($harvest->a_litre_g)->toEqualWithDelta(150.0 / ($fill + 3.0), 1e-9)
        ->and($harvest->forecast_g)->toEqualWithDelta($copy->forecast()[0]->fates[0]->harvest, 1e-9)
        ->and(DiaryReport::of(Grown::copy($garden, [$entries[0]], 38.0), [])->harvest)->toBeNull();
});

it('lays its water out along the weeks, with what it may be drunk down to', function () {
    $garden = Grown::garden();
    $copy = Grown::copy($garden, [Grown::entry(5, '18:00', ['level_mm' => 200]), Grown::entry(6, '18:00', ['ph' => 6])], 7.0);
    $band = DiaryReport::band($copy);
    $water = $copy->copy->feed->tub->water;
    $days = $copy->forecast()[0]->days;

    expect($band->fill_l - $band->dry_l)->toEqualWithDelta($water->usable(), 1e-9)->and($band->fill_l)->toBe($water->working())
        ->and($band->courses[0]->volume_l)->toBe(array_map(static fn (CourseDay $d): float => round($d->after->volume, 3), $days))
        ->and($band->readings)->toHaveCount(1)->and($band->readings[0]->at)->toBe('2027-03-06T18:00')
        ->and($band->today->date)->toBe('2027-03-08')
        ->and($band->plantings[0]->sprouts)->toBeString();
});

it('says of many readings so many as a chart can show, the last one among them', function () {
    $time = static fn (int $n): string => sprintf('%02d:%02d', intdiv($n % 60, 3), 20 * ($n % 3));
    $entries = array_map(static fn (int $n): Entry => Grown::entry(2 + intdiv($n, 60), $time($n), [
        'from' => 'meter', 'level_mm' => 240 - $n / 40,
    ]), range(0, 1799));
    $readings = DiaryReport::of(Grown::copy(Grown::garden(), $entries), [])->readings;

    expect(count($readings))->toBeLessThanOrEqual(1001)->toBeGreaterThan(500)->and(end($readings)->id)->toBe(end($entries)->id)
        ->and($readings[0]->id)->toBe($entries[0]->id);
});

it('runs no further than is asked, and yet tells of what is raised for later', function () {
    $garden = Grown::garden([], [
        ['id' => 'p', 'cups' => [1]],
        ['id' => 'q', 'cups' => [2], 'sown' => '2027-03-20', 'transplanted' => null],
    ]);
    $planner = Gardens::planner();
    $to = Grown::day(24);
    $whole = (new Diary($planner, $garden, Entries::of([]), Grown::day(10) + 0.4))->days(Grown::day(0), $to);
    $short = (new Diary($planner, $garden, Entries::of([]), Grown::day(10) + 0.4, $to))->days(Grown::day(0), $to);
    $ends = (new Diary($planner, $garden, Entries::of([]), Grown::day(10) + 0.4, $to))->copy($garden->tubs[0], 1)->forecast()[0]->end();

    expect($short)->toEqual($whole)
        ->and(array_column($short, 'key'))->toContain('q/sow')
        // To the day on which that is set in, and not to its harvest.
        ->and($ends)->toBeGreaterThan($to)->toBeLessThan(Grown::day(60));
});

it('goes by what was learned from the last reading on, and not before', function () {
    $garden = Grown::garden();
    $free = Grown::copy($garden)->forecast()[0];
    $level = static fn (int $day): float => $free->days[$day]->tub()->reservoir->levelFor(
        $free->fill->volume - 1.4 * ($free->fill->volume - $free->days[$day]->after->volume),
    );
    $entries = array_map(static fn (int $day) => Grown::entry($day, '19:00', ['level_mm' => $level($day)]), [3, 4, 5, 6, 7]);
    $copy = Grown::copy($garden, $entries);
    [$base, $learned] = [$copy->base()[0], $copy->forecast()[0]];

    expect($copy->uses()?->isUsed())->toBeTrue()->and($copy->uses()->factor)->toBeGreaterThan(1.1);
    foreach (range(0, 7) as $day) {
        expect($learned->days[$day]->day->use)->toBe($base->days[$day]->day->use);
    }
    expect($learned->days[9]->day->use)->toBeGreaterThan(1.1 * $base->days[9]->day->use);
});

it('draws the least and the most that there may be of the water, the same as in the log of that tub', function (array $tub) {
    $copy = Grown::copy(Grown::garden($tub), [Grown::entry(5, '18:00', ['level_mm' => 200])]);
    [$course] = DiaryReport::band($copy)->courses;
    [$logged] = [DiaryReport::of($copy, [])];
    $reservoir = $copy->forecast()[0]->days[0]->tub()->reservoir;
    foreach ($course->volume_l as $n => $litres) {
        expect($course->low_l[$n])->toBeLessThanOrEqual($litres)->and($course->high_l[$n])->toBeGreaterThanOrEqual($litres)
            // Litres to the millilitre there, the level that they stand at here.
            ->and($reservoir->levelFor($course->low_l[$n]))->toEqualWithDelta($logged->band[$n]->level_mm[0], 0.2)
            ->and($reservoir->levelFor($course->high_l[$n]))->toEqualWithDelta($logged->band[$n]->level_mm[1], 0.2);
    }
    expect($course->low_l)->toHaveCount(count($course->volume_l))->and($course->low_l)->not->toBe($course->high_l)
        ->and(DiaryReport::band($copy, false)->courses[0])->not->toHaveKey('low_l');
})->with([[[]], [Grown::kinds()['passive jar']], [['reservoir_change' => 'never', 'top_ups' => 'none']]]);

it('says of the next week the same whether it looks to the end of the season or no further than it must', function (array $tub) {
    $garden = Grown::garden($tub, ['sown' => '2027-02-10', 'transplanted' => '2027-03-01']);
    $seen = 0;
    foreach (range(-25, 130, 5) as $now) {
        $items = static fn (?int $until): array => array_map(
            static fn (Item $i): string => (string) json_encode($i->toReport(Grown::day($now))),
            (new Diary(Gardens::planner(), $garden, Entries::of([]), Grown::day($now) + 0.5, $until))
                ->days(Grown::day($now - 14), Grown::day($now + 7)),
        );
        expect($items(Grown::day($now + 14)))->toBe($items(null));
        $seen += count($items(null));
    }
    expect($seen)->toBeGreaterThan(20);
})->with([
    [['crop' => 'mizuna']], [['crop' => 'basil']], [['crop' => 'chilli', 'reservoir_change' => 'by-volume']], [['crop' => 'kohlrabi']],
    [Grown::kinds()['passive jar']],
]);

it('knows on which days somebody came before noon', function () {
    $entries = [Grown::entry(3, '08:00', ['level_mm' => 230]), Grown::entry(5, '19:00', ['level_mm' => 220])];
    $early = array_keys(array_filter(
        Grown::copy(Grown::garden(), $entries)->base()[0]->days,
        static fn (CourseDay $day): bool => $day->isVisitedEarly,
    ));
    expect($early)->toBe([3]);
});

it('finds the next first frost, on its very day too, and the last that is to come', function () {
    $frost = new Frost('05-15', '10-10');
    $day = Dates::number(...);
    expect($frost->next($day('2027-10-09')))->toBe($day('2027-10-10'))->and($frost->next($day('2027-10-10')))->toBe($day('2027-10-10'))
        ->and($frost->next($day('2027-10-11')))->toBe($day('2028-10-10'))
        ->and($frost->lastAfter($day('2027-05-14')))->toBe($day('2027-05-15'))->and($frost->lastAfter($day('2027-05-15')))->toBeNull()
        ->and($frost->lastAfter($day('2027-11-01')))->toBe($day('2028-05-15'))
        ->and((new Frost)->next($day('2027-01-01')))->toBeNull()
        ->and((new Frost)->isFree($day('2027-01-01'), $day('2027-12-31')))->toBeTrue();
});

it('leaves out of what is learned the days on which it rained in', function () {
    $site = ['setting' => 'open', 'weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'seed' => 3, 'start' => '2027-03-01']];
    $garden = Grown::garden(Grown::kinds()['raft'], [[]], ['site' => $site]);
    $days = Grown::copy($garden)->forecast()[0]->days;
    $wet = array_keys(array_filter($days, static fn (CourseDay $d): bool => $d->day->rain > 0.0));
    expect($wet)->not->toBe([])->and(min(array_map(static fn (int $n): float => $days[$n]->day->rain, $wet)))->toBeLessThan(1.0);
    $entries = array_map(
        static fn (int $n): Entry => Grown::entry($n, '00:00', ['level_mm' => 250 - $n]),
        range(1, min(20, count($days) - 1)),
    );
    foreach (Grown::copy($garden, $entries)->intervals()->uses() as $n => $interval) {
        // From midnight to midnight it is one day, and the next begins.
        $rains = array_intersect($wet, [$n + 1, $n + 2]) !== [];
        expect($interval->leftOut === 'it rained in')->toBe($rains);
    }
});

it('reads a line by what the garden remembers: the scale of a meter, and what a jug holds', function () {
    $read = static function (array $log, string $line): stdClass {
        $garden = Grown::garden([], [[]], $log === [] ? [] : ['log' => $log]);

        return Grown::diary($garden, [], 3.0)->read($garden->tubs[0], 1, $line, 600)->toReport();
    };
    expect($read(['ppm_scale' => 700], '840 ppm')->entry->ec_ms_cm)->toEqualWithDelta(1.2, 1e-9)
        ->and($read(['ppm_scale' => 500], '840 ppm')->entry->ec_ms_cm)->toEqualWithDelta(1.68, 1e-9)
        ->and($read([], '840 ppm')->asks)->toHaveCount(1)
        ->and($read(['jug_l' => 1.8], 'topped up half a jug')->entry->top_up_l)->toEqualWithDelta(0.9, 1e-9)
        // Down from where it was read last, or from its line.
        ->and($read([], 'down 4 cm')->entry->level_mm)
        ->toEqualWithDelta(Grown::copy(Grown::garden())->copy->feed->tub->water->line->grown - 40, 1e-9);
});

it('answers what its schema says, of every kept log', function () {
    $check = new SchemaCheck(Gardens::files()->schema('diary'));
    $whole = 0;
    foreach (Diaries::parts() as $name => $parts) {
        $diary = array_diff_key($parts, ['along' => 1, 'items' => 1]);
        $diary['next'] = array_slice($parts['items'], 0, 10);
        $faults = $check->faults(json_decode((string) json_encode($diary, JSON_PRESERVE_ZERO_FRACTION)));
        expect(array_map(static fn ($f): string => "$name $f", $faults))->toBe([]);
        $whole += isset($diary['harvest']) && $diary['today'] !== null ? 1 : 0;
    }
    expect($whole)->toBeGreaterThan(0);
});

it('has a schema of entries that takes what is read, and refuses what is refused', function (array $says, bool $isSound) {
    $raw = json_decode((string) json_encode(['id' => str_repeat('0', 26), 'tub' => 'tub', 'at' => '2027-04-18T07:40', ...$says]));
    $read = (new EntryReader(['p' => ['tub', 1]]))->read($raw);

    expect((new SchemaCheck(Gardens::files()->schema('entry')))->faults($raw) === [])->toBe($isSound)
        ->and($read instanceof Entry)->toBe($isSound);
})->with([
    [['ph' => 14], true], [['ph' => 14.1], false], [['ec_ms_cm' => 10], true], [['ec_ms_cm' => 10.1], false], [['level_mm' => -1], false],
    [['water_c' => -2], true], [['water_c' => 61], false], [['picked' => 3], true], [['picked' => 1.5], false], [['change' => true], true],
    [['signs' => ['brown-roots']], true], [['signs' => ['blue']], false], [['dose' => ['A' => ['ml' => 1]]], true],
    [['dose' => ['A' => ['ml' => 1, 'g' => 1]]], false], [['did' => ['x']], true], [['did' => [str_repeat('x', 121)]], false],
    [['note' => 'x'], true], [['note' => str_repeat('x', 2001)], false], [['photo' => str_repeat('1', 26)], true],
    [['photo' => '1'], false],
    [['ph' => 6, 'from' => 'meter'], true], [['ph' => 6, 'from' => 'moon'], false], [['ph' => 6, 'at' => '2027-04-18T24:00'], false],
    [['strikes' => str_repeat('1', 26)], true], [['strikes' => str_repeat('1', 26), 'replaces' => str_repeat('2', 26), 'ph' => 6], false],
    [['ph' => 6, 'copy' => 0], false], [['ph' => 6, 'id' => 'x'], false], [['top_up_l' => 1000], true], [['top_up_l' => 1001], false],
]);
