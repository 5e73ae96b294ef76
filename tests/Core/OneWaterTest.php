<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\BuildSheet;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonYears;
use Tests\Core\Gardens;
use Tests\Core\Waters;

/** The whole report, its findings' ways not tried. */
function untried(Garden $garden): stdClass
{
    $planner = Gardens::planner();
    $plan = $planner->plan($garden);

    return $planner->written($plan, $planner->findings($plan), true);
}

/** @return array<string, array<string, string>> the severest of each code by tub */
function severest(stdClass $report): array
{
    $worth = ['mind' => 1, 'mend' => 2, 'stop' => 3];
    $said = [];
    foreach ($report->findings as $f) {
        $now = $said[$f->tub ?? ''][$f->code] ?? null;
        $said[$f->tub ?? ''][$f->code] = $now !== null && $worth[$now] >= $worth[$f->severity] ? $now : $f->severity;
    }

    return $said;
}

it('gives one figure for one thing at every mark, on random gardens', function () {
    $seen = ['harvests' => 0, 'dead' => 0, 'dry' => 0, 'passive' => 0, 'several' => 0, 'fed' => 0];
    foreach (Waters::of(120, 20270501) as $garden) {
        $plan = Gardens::plan($garden);
        $report = untried($garden);
        $worth = 0.0;
        foreach ($report->tubs as $i => $tub) {
            $s = $tub->season;
            if ($s->days === null) {
                continue;
            }
            $where = (string) json_encode($garden->document);
            $days = $s->days;
            $before = array_filter($days, fn ($d): bool => $s->harvest_day === null || $d->day < $s->harvest_day);
            // The first fill: Tub, Crop, Feed and the season.
            expect($s->start->volume_l)->toBe($tub->volume->start_l)
                ->and($s->start->level_mm)->toEqualWithDelta($tub->levels->start_line_mm, 1e-4, $where);
            if ($tub->feed !== null) {
                $seen['fed']++;
                expect($tub->feed->litres)->toBe($s->start->volume_l)
                    ->and(round($tub->feed->ec_ms_cm ?? -1, 9))->toBe(round($s->start->ec_ms_cm ?? -1, 9), $where);
            }
            // What Crop says of each, and of all.
            $harvests = array_column($tub->crops, 'harvest_day');
            expect($s->harvest_day)->toBe(in_array(null, $harvests, true) ? null : max($harvests))
                ->and($s->harvest_g)->toEqualWithDelta(array_sum(array_column($tub->crops, 'harvest_g')), 1e-9);
            if ($s->harvest_day !== null) {
                $seen['harvests']++;
                $whole = (int) floor($s->harvest_day);
                $drunk = array_sum(array_map(fn ($d): float => $d->use_l, array_slice($days, 0, $whole)))
                    + ($s->harvest_day - $whole) * ($days[$whole]->use_l ?? 0.0);
                expect($s->water_to_harvest_l)->toEqualWithDelta($drunk, 1e-9);
            }
            // What is put in up to the first harvest: Crop's habit, Feed, Compare.
            expect($s->top_ups)->toBe(count(array_filter($before, fn ($d): bool => $d->top_up_l > 0)))
                ->and($s->top_up_l)->toEqualWithDelta(array_sum(array_map(fn ($d): float => $d->top_up_l, $before)), 1e-9)
                ->and($s->changes)->toBe(count(array_filter($before, fn ($d): bool => $d->change)))
                ->and($s->habit === null || count($s->habit->top_ups) === $s->top_ups)->toBeTrue();
            // Extremes are those of the days.
            // Of a tub that is as good as dry they do not count.
            $useful = $tub->volume->working_l - $tub->volume->usable_l - 1e-9;
            $ecs = array_map(fn ($d) => $d->volume_l < $useful ? null : $d->ec_ms_cm, $days);
            $ec = array_filter([$s->start->ec_ms_cm, ...$ecs], fn ($v): bool => $v !== null);
            $oxygen = array_filter(array_map(fn ($d) => $d->oxygen_mg_l, $days), fn ($v): bool => $v !== null);
            expect([$s->ec_low, $s->ec_high])->toBe($ec === [] || $s->start->ec_ms_cm === null ? [null, null] : [min($ec), max($ec)])
                ->and($s->oxygen_low_mg_l)->toBe($oxygen === [] ? null : min($oxygen))
                ->and($s->peak_daily_l)->toBe(max(array_map(fn ($d): float => $d->use_l, $days)))
                ->and($s->drunk_l)->toEqualWithDelta(array_sum(array_map(fn ($d): float => $d->use_l, $days)), 1e-9)
                ->and($s->water_l)->toEqualWithDelta($s->start->volume_l + array_sum(array_map(
                    fn ($d): float => $d->change ? $s->fill_l : $d->top_up_l,
                    $days,
                )), 1e-9)
                ->and($s->first_dry_day)->toBe(array_values(array_filter($days, fn ($d): bool => $d->volume_l <= 0.0))[0]->day ?? null);
            // Where nobody comes the dry day is the season's own.
            $visits = array_filter($days, fn ($d): bool => $d->change || $d->top_up_l > 0 || $d->stronger > 0);
            $least = $tub->volume->working_l - $tub->volume->usable_l;
            $low = array_values(array_filter($days, fn ($d): bool => $d->volume_l - $d->rain_l + $d->spill_l < $least - 1e-9))[0] ?? null;
            if ($visits === []) {
                expect($s->dry_day === null ? null : (int) floor($s->dry_day - 1e-12))->toBe($low->day ?? null);
            }
            // Still water, half-way and at harvest: Tub, Crop, Bench and the gauge.
            if ($tub->levels->harvest_mm !== null) {
                $seen['passive']++;
                $end = (int) ceil($s->harvest_day - 1e-9) - 1;
                $from = $end === 0 ? $s->start->level_mm : $days[$end - 1]->level_mm;
                $at = $from + ($s->harvest_day - $end) * ($days[$end]->level_mm - $from);
                expect($tub->levels->harvest_mm)->toEqualWithDelta($at, 1e-6)
                    ->and($tub->levels->air_gap_harvest_mm)->toEqualWithDelta($tub->levels->cup_bottom_mm - $at, 1e-6);
            }
            // Build's own sheet.
            $steps = array_column(BuildSheet::of($plan, $garden->tubs[$i])->steps, null, 'key');
            expect($steps['fill']->figures['It takes'] ?? null)
                ->toBe((new KelpTub\Core\Units\QuantityWriter($garden->units))->volume($tub->volume->start_l));
            // Cost: feed of each tub alike, and the harvest by its price.
            $worth += $tub->system === 'nursery' ? 0.0 : $tub->count * $s->harvest_g / 1000 * 8.0;
            $seen['dead'] += $s->killed_day === null ? 0 : 1;
            $seen['dry'] += $s->first_dry_day === null ? 0 : 1;
            $seen['several'] += count($tub->crops) > 1 ? 1 : 0;
        }
        expect($report->budget->harvest_value ?? 0.0)->toEqualWithDelta($worth, 1e-9);
    }
    expect(min($seen))->toBeGreaterThan(5);
});

it('lets nothing dangerous pass without its finding, in every climate', function () {
    $seen = ['dry' => 0, 'dead' => 0, 'airless' => 0, 'hot' => 0];
    foreach (Waters::of(400, 20270601) as $garden) {
        $report = untried($garden);
        $said = severest($report);
        foreach ($report->tubs as $tub) {
            $s = $tub->season;
            if ($s->days === null || $tub->volume->usable_l <= 0.0) {
                continue;
            }
            $of = $said[$tub->id] ?? [];
            $where = $tub->id.' '.json_encode($garden->document);
            $least = $tub->volume->working_l - $tub->volume->usable_l;
            foreach ($s->days as $day) {
                if ($day->volume_l < $least - 1e-9 && $day->day < ($s->harvest_day ?? INF)) {
                    $seen['dry']++;
                    expect(($of['season.dry'] ?? '') === 'stop' || ($of['passive.dry'] ?? '') === 'stop')->toBeTrue($where);
                    break;
                }
            }
            if ($s->first_dry_day !== null) {
                expect(isset($of['season.dry']) || isset($of['passive.dry']))->toBeTrue($where);
            }
            if ($s->killed_day !== null) {
                $seen['dead']++;
                expect($of['season.killed'] ?? '')->toBe('stop', $where);
                expect([$s->harvest_day, $s->last_day])->toContain(null);
            }
            if ($s->oxygen_low_mg_l !== null && $s->oxygen_low_mg_l < 3.0) {
                $seen['airless']++;
                $air = array_intersect_key($of, array_flip(['season.air', 'air.oxygen', 'air.none', 'air.starved']));
                $stops = array_keys($air, 'stop', true);
                expect($stops)->not->toBe([], $where);
            }
            if (max(array_map(fn ($d): float => $d->water_c, $s->days)) > 34.0) {
                $seen['hot']++;
                expect($of['season.warm'] ?? '')->toBe('stop', $where);
            }
        }
        foreach ($report->findings as $f) {
            expect($f->says)->not->toContain('INF')->not->toContain('NAN')->not->toMatch('/day -?\d{4,}/');
        }
    }
    expect(min($seen))->toBeGreaterThan(20);
});

/** A tub of lettuce in a tote with air and feed. */
function fedLettuce(array $garden = [], array $tub = []): Garden
{
    return Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'layout' => ['pattern' => 'grid', 'cups' => 6],
            'stones' => ['kind' => 'disc-100', 'count' => 2], 'feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']], ...$garden],
    );
}
$summer = fn (string $climate, string $start): array => ['site' => [
    'setting' => 'open', 'full_sun' => true, 'weather' => ['kind' => 'typical', 'climate' => $climate, 'seed' => 5, 'start' => $start],
]];

it('says of gardens that once went unsaid', function (Garden $garden, array $codes) {
    $said = severest(Gardens::report($garden));
    $all = [];
    foreach ($said as $of) {
        $all = [...$all, ...$of];
    }
    expect($all)->toMatchArray($codes);
})->with([
    'a balcony in deep winter' => fn () => [fedLettuce(['site' => [
        'setting' => 'open', 'weather' => ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-01-05'],
    ]]), ['season.killed' => 'stop', 'season.cold' => 'mend']],
    'a jar topped up by a quarter' => fn () => [Gardens::tub(
        ['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'basil', 'cup' => 'net-cup-75', 'feed' => 'f', 'top_ups' => 'quarter'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ), ['season.dry' => 'stop']],
    'steady heat under a roof' => fn () => [fedLettuce(['site' => ['setting' => 'covered', 'air_temperature_c' => 36]]), [
        'season.warm' => 'stop', 'season.slow' => 'mind',
    ]],
    'cucumbers in an arid summer' => fn () => [fedLettuce($summer('arid', '2027-06-01'), [
        'count' => 4, 'vessel' => 'bucket-20', 'cup' => 'net-cup-75', 'crop' => 'cucumber', 'layout' => ['cups' => 1],
    ]), ['season.killed' => 'stop', 'season.warm' => 'stop']],
    'a passive tote there' => fn () => [fedLettuce($summer('arid', '2027-06-01'), ['system' => 'passive', 'stones' => null]), [
        'season.killed' => 'stop',
    ]],
    'plants and no feed' => fn () => [fedLettuce([], ['feed' => null]), ['feed.none' => 'mend']],
]);

it('says what a pump by the sun leaves of the oxygen in the dark, and one on the mains mends it', function (
    float $sun,
    ?string $severity,
) {
    $garden = Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'layout' => ['pattern' => 'grid', 'cups' => 6],
            'stones' => ['kind' => 'disc-100', 'count' => 2]],
        ['site' => ['sun_hours' => $sun]],
        ['pump' => 'pump-solar-2'],
    );
    $report = Gardens::report($garden);
    $said = array_column($report->findings, null, 'code')['air.night'] ?? null;
    expect($said?->severity)->toBe($severity);
    if ($said !== null) {
        // 18 Wh of which 0.7 come to 2.5 W: 5.04 hours after the sun has gone, as the outage equation has it.
        $balance = Gardens::plan($garden)->get(KelpTub\Core\Marks\Air\AirPlans::class)->tubs['tub']->balance;
        $low = $balance->afterMinutes(60 * (24 - $sun - 18 * 0.7 / 2.5), $report->tubs[0]->volume->working_l);
        expect(str_replace("\u{202F}", ' ', $said->says))->toContain(rtrim(rtrim(number_format($low, 1, '.', ''), '0'), '.').' mg/L')
            ->and(Gardens::findings(Gardens::applied($garden, $said->remedies[0]->patch)))->not->toContain("$severity air.night");
    }
})->with([[4.0, 'mend'], [19.0, null]]);

it('gives hard water half of what pure water would get, and says what it comes to', function () {
    // Water of 0.8, lettuce at 1.1: half of 1.1 goes in, and a fill comes to 1.35, within what lettuce likes.
    $report = Gardens::report(fedLettuce(['water' => ['source' => 'tap', 'ec_ms_cm' => 0.8]]))->tubs[0];
    $grown = $report->feed->stages[1];
    expect($grown->target_ec_ms_cm)->toEqualWithDelta(1.1, 1e-12)->and($grown->ec_ms_cm)->toEqualWithDelta(1.35, 1e-12)
        ->and($grown->parts[0]->g)->toEqualWithDelta(0.55 / 1.2 * 0.6 * $report->volume->working_l, 1e-9);
});

it('reckons no harvest of what is lost, and never a payback of it', function () use ($summer) {
    $report = untried(fedLettuce([...$summer('arid', '2027-06-01'), 'money' => ['produce_per_kg' => ['lettuce-leaf' => 9]]]));
    expect($report->tubs[0]->season->harvest_g)->toBe(0.0)
        ->and([$report->budget->harvest_value, $report->budget->payback_days])->toBe([null, null])
        ->and($report->tubs[0]->season->looks)->toBe('dead');
});

it('harvests half of what stands tight', function () {
    $of = fn (string $density): float => untried(fedLettuce([], ['density' => $density]))->tubs[0]->season->harvest_g;
    expect($of('tight') / $of('roomy'))->toEqualWithDelta(0.5, 0.02);
});

it('lets a raft that is topped up in time not jam, at any mark', function () {
    $report = untried(fedLettuce([], ['system' => 'raft', 'vessel' => 'tote-64', 'stones' => ['kind' => 'bar-300']]));
    $jam = $report->tubs[0]->raft->jam_level_mm;
    expect(min(array_map(fn ($d): float => $d->level_mm, $report->tubs[0]->season->days)))->toBeGreaterThanOrEqual($jam)
        ->and(array_column($report->findings, 'code'))->not->toContain('raft.jams')
        ->and($report->tubs[0]->season->jam_day)->toBeLessThan($report->tubs[0]->season->harvest_day);
});

it('tells in how many years a tub comes to harvest, and what goes wrong in how many', function () {
    $garden = fn (int $seed, string $start = '2027-05-20'): Garden => Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => 'basil', 'layout' => ['cups' => 3], 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'site' => ['setting' => 'open', 'weather' => [
            'kind' => 'typical', 'climate' => 'continental', 'seed' => $seed, 'start' => $start,
        ]]],
    );
    $years = (new SeasonYears(Gardens::planner(), Gardens::library()))->of($garden(3), $garden(3)->tubs[0], new SeasonAsk, 6);
    // The same, a garden for each year.
    [$days, $grams, $found] = [[], [], []];
    foreach (range(3, 8) as $seed) {
        $run = Gardens::fed($garden($seed))->run();
        $days[] = $run->harvestDay();
        $grams[] = $run->harvested();
        foreach (Gardens::planner()->findings(Gardens::plan($garden($seed))) as $f) {
            if (str_starts_with($f->code, 'season.')) {
                $found["{$f->severity->value} $f->code"] = ($found["{$f->severity->value} $f->code"] ?? 0) + 1;
            }
        }
    }
    $come = array_values(array_filter($days, fn (?float $day): bool => $day !== null));
    sort($come);
    sort($grams);
    $told = array_combine(
        array_map(fn (stdClass $f): string => "$f->severity $f->code", $years->findings),
        array_column($years->findings, 'years'),
    );
    ksort($told);
    ksort($found);

    expect([$years->years, $years->harvests])->toBe([6, count($come)])->and(count($come))->toBeGreaterThan(0)
        ->and($years->harvest_day)->toBe([$come[0], $come[intdiv(count($come), 2)], $come[count($come) - 1]])
        ->and($years->harvest_g)->toBe([$grams[0], $grams[3], $grams[5]])
        ->and($told)->toBe($found)->and($found)->not->toBe([]);
});

it('has no other years where every day is the same, or nothing grows, and none without number', function () {
    $years = new SeasonYears(Gardens::planner(), Gardens::library());
    $steady = Gardens::tub(['crop' => 'basil']);

    expect($years->of($steady, $steady->tubs[0], new SeasonAsk, 20))->toBeNull()
        ->and(fn () => $years->of($steady, $steady->tubs[0], new SeasonAsk, 0))->toThrow('0 years were asked for; there are 1 to 50')
        ->and(fn () => $years->of($steady, $steady->tubs[0], new SeasonAsk, 51))->toThrow('51 years were asked for; there are 1 to 50');
});
