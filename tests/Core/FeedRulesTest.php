<?php

declare(strict_types=1);

use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonRuns;
use Tests\Core\Gardens;

function fedTub(array $tub = [], array $garden = [], array $feed = []): Garden
{
    return Gardens::tub(
        ['crop' => 'basil', 'layout' => ['cups' => 3], 'feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry', ...$feed]], ...$garden],
    );
}

/** @return array<string, string> findings of Feed by their code, as said */
function saidOfFeed(Garden $garden): array
{
    $said = [];
    foreach (Gardens::planner()->findings(Gardens::plan($garden)) as $f) {
        if ($f->mark === 'feed') {
            $said[$f->code] = $f->severity->value;
        }
    }

    return $said;
}

function runOf(Garden $garden): SeasonRun
{
    return Gardens::plan($garden)->get(FeedPlans::class)->of('tub')->run() ?? throw new LogicException('Nothing grows there.');
}

it('lets 8 % of the rain on a lid in, in the open and nowhere else', function (string $setting) {
    $weather = ['kind' => 'typical', 'climate' => 'tropical', 'seed' => 4, 'start' => '2027-06-01'];
    $garden = fedTub(['vessel' => 'tote-45'], ['site' => ['setting' => $setting, 'weather' => $weather]]);
    $plan = Gardens::plan($garden)->get(FeedPlans::class)->of('tub');
    $lid = 0.58 * 0.39 - (4 - M_PI) * 0.05 ** 2;
    $wet = 0;
    foreach ($plan->run()->days as $day) {
        $rain = $setting === 'open' ? 0.08 * $plan->weather->on($day->day)->rain * $lid : 0.0;
        expect($day->rain)->toEqualWithDelta($rain, 1e-4);
        $wet += $day->rain > 0.0 ? 1 : 0;
    }
    expect($wet > 10)->toBe($setting === 'open');
})->with(['open', 'covered', 'indoor']);

it('warms the water by where it stands', function (array $site, array $vessel, float $over) {
    $garden = Gardens::tub(
        ['crop' => 'basil', 'vessel' => [
            'stations' => [['height_mm' => 0, 'diameter_mm' => 260], ['height_mm' => 300, 'diameter_mm' => 280]], ...$vessel,
        ]],
        ['site' => ['air_temperature_c' => 22, ...$site]],
    );
    $days = runOf($garden)->days;
    expect($days[25]->water())->toEqualWithDelta(22 + $over, 0.05);
})->with([
    'in a room' => [['setting' => 'indoor'], [], 0.0],
    'under a roof' => [['setting' => 'covered'], [], 2.0],
    'in the open, shaded' => [['setting' => 'open'], [], 0.0],
    'dark in full sun' => [['setting' => 'open', 'full_sun' => true], [], 4.0],
    'light in full sun' => [['setting' => 'open', 'full_sun' => true], ['cover' => 'foil'], 1.0],
]);

it('puts in a quarter of the first fill and no more', function () {
    // A cup high over a tall tub: most of it can be used, so that a third of that is more than a quarter of all.
    $run = runOf(Gardens::tub(
        ['crop' => 'kale', 'layout' => ['cups' => 3], 'top_ups' => 'quarter', 'reservoir_change' => 'never', 'lowest_mm' => 10],
    ));
    $poured = array_filter(array_map(fn ($d): float => $d->topUp, $run->days));
    expect($run->tub->usable / 3)->toBeGreaterThan($run->tub->start / 4)
        ->and($poured)->not->toBe([])
        ->and(max($poured))->toEqualWithDelta($run->tub->start / 4, 1e-9);
});

it('keeps one at home for the EC too', function () {
    $garden = fedTub(
        ['crop' => 'chard', 'top_up_strength' => 'half', 'reservoir_change' => 'weekly'],
        ['site' => ['air_temperature_c' => 30, 'humidity_pct' => 25]],
    );
    $asked = fn (array $whatIfs): stdClass => (new SeasonRuns(Gardens::planner(), Gardens::library()))
        ->of($garden, $garden->tubs[0], [new SeasonAsk([], $whatIfs)])[0];
    $run = $asked([]);
    $report = Gardens::report($garden)->tubs[0];
    $least = $report->volume->working_l - $report->volume->usable_l;
    $bound = 0;
    foreach ([13, 20, 27, 34] as $d) {
        $limit = max($report->limits->ec_ms_cm[1] + 0.3, $run->season->days[$d]->ec_ms_cm);
        $n = $run->away_days[$d];
        $gone = $asked(['away@'.($d + 1).'x'.($n + 1)])->season->days;
        expect($gone[$d + $n]->ec_ms_cm)->toBeLessThanOrEqual($limit + 1e-9)
            ->and($gone[$d + $n]->volume_l)->toBeGreaterThanOrEqual($least - 1e-9)
            ->and($gone[$d + $n + 1]->ec_ms_cm > $limit || $gone[$d + $n + 1]->volume_l < $least)->toBeTrue();
        $bound += $gone[$d + $n + 1]->ec_ms_cm > $limit && $gone[$d + $n + 1]->volume_l >= $least ? 1 : 0;
    }
    expect($bound)->toBeGreaterThan(0);
});

it('gives seeds that have not sprouted plain water', function () {
    $report = Gardens::report(fedTub(['started' => 'seed']))->tubs[0];
    expect($report->feed->stage)->toBe('sprouting')
        ->and($report->feed->ec_ms_cm)->toBe(0.4)
        ->and(array_sum(array_column($report->feed->parts, 'g')))->toBe(0.0);
});

it('fills a passive tub that is filled once for what its plants will eat', function () {
    $report = Gardens::report(fedTub(['system' => 'passive', 'vessel' => 'bucket-20']))->tubs[0];
    // Three basils: 3·6 L at 1.4, in a climate of 1.119; what is over after harvest at 1.0.
    [$fill, $climate] = [$report->volume->working_l, $report->season->climate];
    $left = max(0.0, $fill - 18 * $climate);
    expect($report->feed->ec_ms_cm)->toEqualWithDelta(min(1.8, max(1.0, (1.4 * 18 * sqrt($climate) + 1.0 * $left) / $fill)), 1e-9)
        ->and($report->feed->litres)->toBe($fill);
});

it('buys the feed of every tub alike', function () {
    $needs = fn (int $count): array => array_column(Gardens::report(fedTub(['count' => $count]))->parts, 'need', 'key');
    $grams = fn (int $count): float => (float) $needs($count)['two-part-dry-a'];
    expect($grams(3))->toEqualWithDelta(3 * $grams(1), 1e-9)->and($grams(1))->toBeGreaterThan(10.0);
});

it('has the stronger EC at the thirsty end of its band', function () {
    $garden = Gardens::tub(['crop' => 'kale', 'top_ups' => 'none', 'reservoir_change' => 'never', 'layout' => ['cups' => 2]]);
    $run = (new SeasonRuns(Gardens::planner(), Gardens::library()))->of($garden, $garden->tubs[0], [new SeasonAsk])[0];
    foreach (array_slice($run->season->days, 5, 20) as $day) {
        expect($run->band->thirsty[$day->day]->ec_ms_cm)->toBeGreaterThan($day->ec_ms_cm);
    }
});

it('finds an EC out of what plants like on more than five days, in one sentence, and mends from 0.8', function () {
    $seen = [];
    foreach (range(85, 20, -3) as $humidity) {
        foreach (['basil', 'chard'] as $crop) {
            foreach (['weekly', 'never'] as $change) {
                $garden = fedTub(
                    [
                        'crop' => $crop, 'top_up_strength' => ['water', 'half', 'feed'][$humidity % 3], 'reservoir_change' => $change,
                        'strengthening' => $humidity % 2 === 0,
                    ],
                    ['site' => ['air_temperature_c' => 22 + $humidity % 4 * 3, 'humidity_pct' => $humidity]],
                );
                [$days, $worst, $over, $under] = [0, 0.0, false, false];
                $crops = Gardens::library()->crops->get($crop);
                foreach (runOf($garden)->days as $day) {
                    $low = $day->after->stage === Stage::Seedling ? $crops->ecLow / 2 : $crops->ecLow;
                    $out = max($day->ec() - $crops->ecHigh, $low - $day->ec());
                    $days += $out > 1e-9 ? 1 : 0;
                    $worst = max($worst, $out);
                    $over = $over || $day->ec() > $crops->ecHigh + 1e-9;
                    $under = $under || $day->ec() < $low - 1e-9;
                }
                $said = saidOfFeed($garden)['season.salt'] ?? 'nothing';
                expect($said)->toBe($days <= 5 ? 'nothing' : ($worst >= 0.8 - 1e-9 ? 'mend' : 'mind'), "$days days, $worst");
                $seen[$said] = true;
                if ($said !== 'nothing') {
                    $says = array_values(array_filter(Gardens::report($garden)->findings, fn ($f): bool => $f->code === 'season.salt'));
                    expect(count($says))->toBe(1)
                        ->and(str_contains($says[0]->says, 'too strong'))->toBe($over)
                        ->and(str_contains($says[0]->says, 'too weak'))->toBe($under);
                }
            }
        }
    }
    expect(count($seen))->toBe(3);
});

it('judges strength only where a feed is chosen, and says that none is', function () {
    $garden = Gardens::tub(
        ['crop' => 'chard', 'reservoir_change' => 'never', 'top_up_strength' => 'feed'],
        ['site' => ['air_temperature_c' => 31, 'humidity_pct' => 20]],
    );
    expect(saidOfFeed($garden))->toMatchArray(['feed.none' => 'mend'])->not->toHaveKey('season.salt')
        ->and(saidOfFeed(Gardens::tub()))->not->toHaveKey('feed.none')
        ->and(saidOfFeed(Gardens::tub(['system' => 'cloner', 'crop' => 'soft-cuttings'])))->not->toHaveKey('feed.none');
});

it('offers a feed to plants that have none, and it is the one there is', function (array $feeds, string $says) {
    $garden = Gardens::tub(['crop' => 'basil'], ['feeds' => $feeds]);
    $found = array_column(Gardens::report($garden)->findings, null, 'code')['feed.none'];
    $mended = Gardens::applied($garden, $found->remedies[0]->patch);
    expect($found->remedies[0]->says)->toContain($says)
        ->and(saidOfFeed($mended))->not->toHaveKey('feed.none')
        ->and(Gardens::report($mended)->tubs[0]->feed->parts)->not->toBe([]);
})->with([
    'none yet' => [[], 'two-part'],
    'one of the garden' => [[['id' => 'x', 'product' => 'one-part-dry']], 'One-part'],
]);

it('says that a feed does not reach what is aimed at, and names one that does', function (float $aim, bool $found) {
    // The two-part dry feed brings 1.2 at its label, so 0.4 + 1.5 at a quarter over it.
    $garden = fedTub([], [], ['strength' => ['ec_ms_cm' => $aim]]);
    $said = array_column(Gardens::report($garden)->findings, null, 'code')['feed.too-weak-product'] ?? null;
    expect($said !== null)->toBe($found);
    if ($said !== null) {
        expect($said->remedies)->not->toBe([])
            ->and(saidOfFeed(Gardens::applied($garden, $said->remedies[0]->patch)))->not->toHaveKey('feed.too-weak-product');
    }
})->with([[1.9, false], [1.91, true], [1.2, false]]);

it('has a feed in the Library for the hungriest fruit', function () {
    $garden = fedTub(['crop' => 'tomato-vine', 'cup' => 'net-cup-75', 'layout' => ['cups' => 1]]);
    $said = array_column(Gardens::report($garden)->findings, null, 'code')['feed.too-weak-product'];
    expect($said->remedies[0]->says)->toContain('hungry fruit')
        ->and(saidOfFeed(Gardens::applied($garden, $said->remedies[0]->patch)))->not->toHaveKey('feed.too-weak-product');
});

it('finds water too salty to be fed, and how much pure water makes it fit', function (float $ec, bool $found) {
    // Basil at 1.4, liked up to 1.8: half of 1.4 has to go in, so water over 1.1 comes out over it.
    $garden = fedTub([], ['water' => ['source' => 'tap', 'ec_ms_cm' => $ec]]);
    $said = array_column(Gardens::report($garden)->findings, null, 'code')['feed.water-salty'] ?? null;
    expect($said !== null)->toBe($found);
    if ($said !== null) {
        $mended = Gardens::applied($garden, $said->remedies[0]->patch);
        expect(Gardens::deeds($said->remedies[0]->patch)[0]->value[0]->share)
            ->toEqualWithDelta(ceil(100 * (1 - 1.4 / (2 * $ec)) - 1e-9) / 100, 1e-9)
            ->and(saidOfFeed($mended))->not->toHaveKey('feed.water-salty')
            ->and(Gardens::fed($mended)->mixing->ecAt(Stage::Grow))->toEqualWithDelta(1.4, 0.02);
    }
})->with([[1.1, false], [1.11, true], [2.5, true]]);

/** A tub of lettuce with some air, where it stands as it is said. */
function standing(array $site, array $tub = []): Garden
{
    return Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 4], 'feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'site' => $site],
    );
}

it('finds water too warm or too cold by its worst day', function (float $air, ?string $warm, ?string $cold, array $site = []) {
    // Lettuce likes 16 to 23 °C; the water comes to the air's warmth.
    $said = saidOfFeed(standing(['air_temperature_c' => $air, ...$site]));
    expect([$said['season.warm'] ?? null, $said['season.cold'] ?? null])->toBe([$warm, $cold]);
})->with([
    [26.9, null, null], [27.5, 'mind', null], [29.9, 'mind', null], [30.5, 'mend', null], [33.9, 'mend', null], [34.5, 'stop', null],
    [12.1, null, null], [11.5, null, 'mind'], [8.1, null, 'mind'], [7.5, null, 'mend'],
    // Where the water was measured it stays so, and crop.temperature says it.
    [20.0, null, null, ['water_temperature_c' => 29]], [20.0, 'stop', null, ['water_temperature_c' => 35]],
]);

it('finds what cold, heat or want of oxygen ends, names crop and day, and reckons no harvest', function (
    array $site,
    array $tub,
    int $day,
    string $why,
) {
    $garden = standing($site, $tub);
    $report = Gardens::report($garden);
    $said = array_column($report->findings, null, 'code')['season.killed'];
    expect([$said->severity, $report->tubs[0]->season->killed_day])->toBe(['stop', $day])
        ->and($said->says)->toContain("on day $day")->toContain($why)
        ->and([$report->tubs[0]->season->harvest_day, $report->tubs[0]->season->last_day])->toBe([null, null])
        ->and($report->tubs[0]->season->harvest_g)->toBe(0.0);
    $run = runOf($garden);
    expect(count($run->days))->toBe($day + 1)->and($run->days[$day]->use)->toBe(0.0)->and($run->days[$day]->uptake)->toBe(0.0)
        ->and($run->days[$day]->fare())->toBe(0.0);
})->with([
    'air under the least of leaf lettuce' => [['air_temperature_c' => -3.1], [], 0, 'the air is'],
    'water over 38 °C' => [['water_temperature_c' => 38.5], [], 0, 'the water is'],
    'water freezing for three days' => [['air_temperature_c' => 18, 'water_temperature_c' => 0], [], 2, 'freezing'],
]);

it('says once, of the garden, what none of its tubs lives through', function (array $crops, array $said) {
    $tub = fn (int $i, ?string $crop): array => [
        'id' => "t$i", 'name' => "Tub $i", 'system' => 'passive', 'vessel' => 'bucket-20', 'cup' => 'net-cup-50', 'crop' => $crop,
    ];
    $garden = Gardens::of([
        'format' => 'kelp-tub.garden', 'version' => 1, 'site' => ['air_temperature_c' => -5, 'water_temperature_c' => 2],
        'tubs' => array_map($tub, array_keys($crops), $crops),
    ]);
    $killed = fn (array $findings): array => array_column(
        array_filter($findings, fn ($f): bool => $f->code === 'season.killed'),
        'says',
        'tub',
    );
    $report = Gardens::report($garden);
    $preview = json_decode(Gardens::planner()->preview($garden));

    expect(array_keys($killed($report->findings)))->toBe($said)
        ->and($killed($preview->findings))->toBe($killed($report->findings))
        ->and(array_column($report->tubs, 'season')[0]->killed_day)->toBe(0);
    if ($said === ['']) {
        expect($killed($report->findings)[''])->toStartWith('Nothing that is planted here lives. In Tub ')->toContain('on day 0');
    }
})->with([
    'all of them' => [['lettuce-leaf', 'basil', 'rocket'], ['']],
    'all that are planted' => [['lettuce-leaf', null, 'basil'], ['']],
    'all but one' => [['lettuce-leaf', 'basil', 'kale'], ['t0', 't1']],
    'the only one' => [['lettuce-leaf'], ['t0']],
    'the only one planted' => [['lettuce-leaf', null], ['t0']],
]);

it('lets live what is just warm enough, and drinks on where the water is at 38 °C', function (array $site) {
    expect(saidOfFeed(standing($site)))->not->toHaveKey('season.killed');
})->with([[['air_temperature_c' => -3.0, 'water_temperature_c' => 1]], [['water_temperature_c' => 38.0]]]);

it('finds a season that is dry before its first harvest, whatever the system and its top-ups', function (array $tub) {
    $garden = fedTub($tub);
    $run = runOf($garden);
    $low = $run->firstBelowUsable();
    expect($low !== null && $low < $run->harvestDay())->toBeTrue()
        ->and(array_column(Gardens::report($garden)->findings, 'severity', 'code')['season.dry'])->toBe('stop')
        ->and($run->harvested())->toBe($run->dryOn() < $run->harvestDay() ? 0.0 : $run->harvested());
})->with([
    'a jar topped up by a quarter' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75', 'top_ups' => 'quarter']],
    'a pail nobody tops up' => [['vessel' => 'pail-3', 'top_ups' => 'none', 'reservoir_change' => 'never']],
]);

it('finds oxygen by its worst day, and is silent where the design says as much', function (int $cups) {
    $summer = ['kind' => 'typical', 'climate' => 'subtropical-humid', 'seed' => 5, 'start' => '2027-06-01'];
    $garden = Gardens::tub(
        ['vessel' => 'bucket-20', 'crop' => 'cucumber', 'layout' => ['cups' => $cups], 'cup' => 'net-cup-75'],
        ['site' => ['setting' => 'covered', 'weather' => $summer]],
    );
    $low = runOf($garden)->oxygenLow();
    $said = array_column(Gardens::report($garden)->findings, null, 'code');
    expect($said['season.air']->severity)->toBe(match (true) {
        $low[0] < 3 => 'stop',
        $low[0] < 5 => 'mend',
        default => 'mind',
    })->and($said['season.air']->says)->toContain("on day $low[1]");
    $steady = Gardens::tub(['crop' => 'cucumber', 'cup' => 'net-cup-75', 'layout' => ['cups' => 1]], [
        'site' => ['water_temperature_c' => 30],
    ]);
    expect(array_column(Gardens::report($steady)->findings, 'code'))->toContain('air.oxygen')->not->toContain('season.air');
})->with([1, 2]);

it('finds a first harvest that is late by more than twenty days and half as long again', function (float $air, ?string $severity) {
    // Lettuce, 32 days at ease: 12 °C under 12 °C nothing grows.
    expect(saidOfFeed(standing(['air_temperature_c' => $air, 'water_temperature_c' => 18]))['season.slow'] ?? null)->toBe($severity);
})->with([[7.5, null], [7.0, 'mind'], [1.0, 'mind'], [0.4, 'mend'], [0.0, 'mend']]);
