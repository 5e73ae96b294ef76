<?php

declare(strict_types=1);

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
    expect($days[25]->water)->toEqualWithDelta(22 + $over, 0.05);
})->with([
    'in a room' => [['setting' => 'indoor'], [], 0.0],
    'under a roof' => [['setting' => 'covered'], [], 2.0],
    'in the open, shaded' => [['setting' => 'open'], [], 0.0],
    'dark in full sun' => [['setting' => 'open', 'full_sun' => true], [], 4.0],
    'light in full sun' => [['setting' => 'open', 'full_sun' => true], ['cover' => 'foil'], 1.0],
]);

it('puts in a quarter of the fill and no more', function () {
    // A cup high over a tall tub: most of it can be used, so that a third of that is more than a quarter of all.
    $run = runOf(Gardens::tub(
        ['crop' => 'kale', 'layout' => ['cups' => 3], 'top_ups' => 'quarter', 'reservoir_change' => 'never', 'lowest_mm' => 10],
    ));
    $poured = array_filter(array_map(fn ($d): float => $d->topUp, $run->days));
    expect($run->tub->usable / 3)->toBeGreaterThan($run->tub->fill / 4)
        ->and($poured)->not->toBe([])
        ->and(max($poured))->toEqualWithDelta($run->tub->fill / 4, 1e-9);
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

it('fills a passive tub that is filled once at three quarters of the middle', function () {
    $report = Gardens::report(fedTub(['system' => 'passive', 'vessel' => 'bucket-20']))->tubs[0];
    [$low, $high] = $report->limits->ec_ms_cm;
    expect($report->feed->ec_ms_cm)->toEqualWithDelta(0.75 * ($low + $high) / 2, 1e-9);
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

it('finds salts that climb on more than five days, and not on five', function () {
    // The EC over the window on more and more days as the air dries: somewhere five days become six.
    $seen = [];
    foreach (range(80, 20, -1) as $humidity) {
        $garden = fedTub(
            ['crop' => 'basil', 'reservoir_change' => 'two-weekly', 'top_up_strength' => $humidity % 2 === 0 ? 'feed' : 'half'],
            ['site' => ['air_temperature_c' => 30, 'humidity_pct' => $humidity]],
        );
        $days = count(runOf($garden)->daysOver(Gardens::report($garden)->tubs[0]->limits->ec_ms_cm[1] + 1e-9));
        $seen[$days] = isset(saidOfFeed($garden)['season.salt']);
    }
    foreach ($seen as $days => $found) {
        expect($found)->toBe($days > 5, "$days days");
    }
    expect(min(array_keys($seen)))->toBeLessThanOrEqual(5)->and(max(array_keys($seen)))->toBeGreaterThan(5);
});

it('calls a feed strong from 0.3 over the window, and in need of mending from 0.8', function () {
    $seen = [];
    foreach (range(85, 20, -1) as $humidity) {
        $garden = fedTub(
            [
                'crop' => $humidity % 2 === 0 ? 'chard' : 'basil', 'top_up_strength' => $humidity % 3 === 0 ? 'half' : 'feed',
                'reservoir_change' => $humidity % 4 < 2 ? 'monthly' : 'never',
            ],
            ['site' => ['air_temperature_c' => 31, 'humidity_pct' => $humidity]],
        );
        $over = runOf($garden)->ecRange()['high'] - Gardens::report($garden)->tubs[0]->limits->ec_ms_cm[1];
        $said = saidOfFeed($garden)['feed.strong'] ?? 'nothing';
        expect($said)->toBe(match (true) {
            $over >= 0.8 - 1e-9 => 'mend',
            $over >= 0.3 - 1e-9 => 'mind',
            default => 'nothing',
        }, "$over over");
        $seen[$said] = true;
    }
    expect(count($seen))->toBe(3);
});

it('calls a feed weak after more than five days at 0.3 under the window, and in need of mending from 0.8', function () {
    $seen = [];
    $days = [
        [24, 40, 'feed'], [22, 50, 'half'], [18, 60, 'half'], [18, 70, 'half'], [16, 80, 'half'], [16, 85, 'water'], [20, 60, 'feed'],
    ];
    foreach ($days as [$air, $damp, $strength]) {
        foreach (['weekly', 'two-weekly', 'monthly', 'never'] as $change) {
            $garden = fedTub(
                ['crop' => 'kale', 'reservoir_change' => $change, 'top_up_strength' => $strength],
                ['site' => ['air_temperature_c' => $air, 'humidity_pct' => $damp]],
            );
            $plan = Gardens::plan($garden)->get(FeedPlans::class)->of('tub');
            $low = $plan->window[0];
            $weak = $plan->run()->daysUnder($low - 0.3, $plan->mixing->target->grownFrom());
            $least = min([INF, ...array_map(fn (int $d): float => $plan->run()->days[$d]->ec(), $weak)]);
            $said = saidOfFeed($garden)['feed.weak'] ?? 'nothing';
            expect($said)->toBe(count($weak) <= 5 ? 'nothing' : ($low - $least >= 0.8 - 1e-9 ? 'mend' : 'mind'));
            $seen[$said] = true;
        }
    }
    expect(count($seen))->toBe(3);
});

it('judges strength only where a feed is chosen', function () {
    $garden = Gardens::tub(
        ['crop' => 'chard', 'reservoir_change' => 'never', 'top_up_strength' => 'feed'],
        ['site' => ['air_temperature_c' => 31, 'humidity_pct' => 20]],
    );
    expect(saidOfFeed($garden))->toBe([]);
});
