<?php

declare(strict_types=1);

use KelpTub\Core\Crop\TubWaterUse;
use KelpTub\Core\Crop\WaterUse;
use Tests\Core\Gardens;

/** @return array<string, int|float> what is needed, by part */
function needs(array $tub): array
{
    return array_column(array_map(get_object_vars(...), Gardens::report(Gardens::tub($tub))->parts), 'need', 'key');
}

it('counts the days of raising where they pass', function (string $started, int $before, int $within, ?int $sprouts, float $harvest) {
    $crop = Gardens::report(Gardens::tub(['crop' => 'basil', 'started' => $started]))->tubs[0]->crops[0];

    expect([$crop->days_sow_to_transplant, $crop->days_within, $crop->sprouts_day, $crop->harvest_day])
        ->toEqual([$before, $within, $sprouts, $harvest]);
})->with([
    // Basil: 6 days to sprout, 21 to transplanting, 32 more to the first harvest.
    'a plug' => ['plug', 21, 0, null, 32],
    'a seedling' => ['seedling', 0, 0, null, 32],
    'seed' => ['seed', 0, 21, 6, 53],
]);

it('drinks nothing while a seed sprouts, and then as ever', function () {
    $raised = new WaterUse(10.0, 32.0, 92.0);
    $sown = new WaterUse(10.0, 53.0, 113.0, 21.0);

    expect($sown->until(21.0))->toBe(0.0)
        ->and($sown->peakDaily())->toBe($raised->peakDaily())
        ->and((new TubWaterUse([$sown]))->halfWay())->toBe(37.0)
        ->and((new TubWaterUse([$raised]))->halfWay())->toBe(16.0)
        ->and($sown->dayWhenUsed(14.0))->toEqualWithDelta($raised->dayWhenUsed(14.0) + 21, 1e-9);
    foreach ([1, 7, 16, 32, 60] as $day) {
        expect($sown->until($day + 21.0))->toEqualWithDelta($raised->until((float) $day), 1e-12);
    }
});

it('buys what it starts from', function () {
    expect(needs(['crop' => 'basil', 'layout' => ['cups' => 2]]))->toMatchArray(['plug-stone-wool' => 2, 'seed-basil' => 1])
        ->and(needs(['crop' => 'basil', 'layout' => ['cups' => 2], 'started' => 'seedling']))->toMatchArray(['seedling' => 2])
        ->not->toHaveKeys(['plug-stone-wool', 'seed-basil'])
        ->and(needs(['crop' => 'basil', 'layout' => ['cups' => 2], 'started' => 'seed']))->toMatchArray(['seed-basil' => 1])
        ->not->toHaveKey('plug-stone-wool');
});

it('is filled up to its cups for plants that come with roots, and to its line for seeds', function (string $line) {
    $filled = static fn (array $tub): stdClass => Gardens::planner()->report(
        Gardens::tub(['crop' => 'basil', 'water_line' => $line, ...$tub]),
        whole: true,
    )->tubs[0];
    foreach (['plug', 'seedling'] as $started) {
        $tub = $filled(['started' => $started]);
        expect($tub->levels->start_line_mm)->toBe($tub->levels->cup_bottom_mm)
            ->and($tub->season->start->level_mm)->toEqualWithDelta($tub->levels->cup_bottom_mm, 1e-6)
            ->and($tub->volume->start_l)->toBe($tub->season->start->volume_l)
            ->and($tub->volume->start_l)->toBeGreaterThan($tub->volume->working_l);
    }
    $seed = $filled(['started' => 'seed']);
    expect($seed->levels->start_line_mm)->toBe($seed->levels->water_line_mm)
        ->and($seed->season->start->volume_l)->toBe($seed->volume->working_l)
        ->and($filled(['started' => 'seed', 'system' => 'passive'])->levels->start_line_mm)
        ->toBe($filled(['system' => 'passive'])->levels->start_line_mm);
})->with(['gap', 'drawn-down']);

it('wants something for a climber to climb, and buys clips with it', function () {
    $vine = ['crop' => 'tomato-vine', 'layout' => ['pattern' => 'single', 'cups' => 1], 'cup' => 'net-cup-75'];
    $report = Gardens::report(Gardens::tub($vine));
    $found = array_column($report->findings, null, 'code');

    expect($found['crop.support']->severity)->toBe('mind')
        ->and(Gardens::deeds($found['crop.support']->remedies[0]->patch))
        ->toEqual([(object) ['op' => 'add', 'path' => '/tubs/0/trellis', 'value' => true]])
        ->and(Gardens::findings(Gardens::tub([...$vine, 'trellis' => true])))->not->toContain('mind crop.support')
        ->and(needs([...$vine, 'trellis' => true, 'count' => 2]))->toMatchArray(['trellis' => 2, 'clips' => 16])
        ->and(needs(['vessel' => 'tote-90', 'crop' => 'cucumber', 'layout' => ['cups' => 2], 'trellis' => true]))
        ->toMatchArray(['clips' => 16])
        ->and(needs($vine))->not->toHaveKeys(['trellis', 'clips'])
        ->and(Gardens::findings(Gardens::tub(['crop' => 'chilli'])))->not->toContain('mind crop.support');
});

it('says top-ups as a habit, and they are those of the season', function (string $policy) {
    $report = Gardens::planner()->report(Gardens::tub(
        ['vessel' => 'pail-15', 'crop' => 'basil', 'layout' => ['cups' => 2], 'top_ups' => $policy, 'reservoir_change' => 'never'],
    ), whole: true)->tubs[0]->season;
    $topUps = array_values(array_filter($report->days, fn ($d): bool => $d->top_up_l > 0 && $d->day < $report->harvest_day));

    expect(array_map(fn ($t): array => [$t->day, $t->litres], $report->habit->top_ups))
        ->toBe(array_map(fn ($d): array => [(float) $d->day, $d->top_up_l], $topUps))
        ->and(count($topUps))->toBe($report->top_ups)
        ->and($report->habit->from_day)->toBe((float) $topUps[0]->day)
        ->and($report->habit->every_days[0])->toBeGreaterThanOrEqual(1.0)
        ->and($report->habit->every_days[1])->toBeGreaterThanOrEqual($report->habit->every_days[0]);
})->with(['level', 'quarter', 'half']);

it('has no habit where nothing is due or nobody comes', function (array $tub) {
    $garden = Gardens::tub(['crop' => 'lettuce-leaf', 'layout' => ['cups' => 1], ...$tub]);
    expect(Gardens::report($garden)->tubs[0]->season->habit)->toBeNull();
})->with([[['vessel' => 'tote-90']], [['vessel' => 'pail-3', 'top_ups' => 'none']]]);
