<?php

declare(strict_types=1);

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Crop\TubWaterUse;
use KelpTub\Core\Crop\WaterUse;
use KelpTub\Core\Season\TopUpHabit;
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

it('starts an aerated tub high where seeds lie on the pebbles', function () {
    $levels = static fn (array $tub): stdClass => Gardens::report(Gardens::tub(['crop' => 'basil', ...$tub]))->tubs[0]->levels;
    $plug = $levels([]);
    $seed = $levels(['started' => 'seed']);

    expect($seed->start_line_mm - $plug->start_line_mm)->toBe(25.0)
        ->and($seed->water_line_mm)->toBe($plug->water_line_mm)
        ->and($levels(['started' => 'seed', 'system' => 'passive'])->start_line_mm)
        ->toBe($levels(['system' => 'passive'])->start_line_mm);
});

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

it('says top-ups as a habit that keeps its own policy', function (TopUps $policy, float $share, ?float $least) {
    $use = new TubWaterUse([new WaterUse(50.0, 60.0, 120.0)]);
    $habit = TopUpHabit::of($use, $policy, 16.0, 12.0);
    $added = 0.0;
    foreach ($habit->topUps as $topUp) {
        // The evening before it was not due yet; on its own it is.
        expect($use->until($topUp->day) - $added)->toBeLessThan($share * 12.0)
            ->and($use->until($topUp->day + 1) - $added)->toBeGreaterThanOrEqual($share * 12.0 - 1e-9)
            ->and($topUp->day)->toBe(floor($topUp->day));
        $due = $use->until($topUp->day + 1) - $added;
        expect($topUp->litres)->toEqualWithDelta($least === null ? $due : min($due, $least), 1e-12);
        $added += $topUp->litres;
    }
    expect($use->until(60.0) - $added)->toBeLessThan($share * 12.0 + 2 * $use->peakDaily())
        ->and($habit->every()[0])->toBeGreaterThanOrEqual(1.0)
        ->and($habit->every()[1])->toBeGreaterThanOrEqual($habit->every()[0]);
})->with([
    'back to the line at a third' => [TopUps::Level, 1 / 3, null],
    'a quarter at a third' => [TopUps::Quarter, 1 / 3, 4.0],
    'a half at a half' => [TopUps::Half, 1 / 2, 8.0],
]);

it('has no habit where nothing is due or nothing can be used', function () {
    $use = new TubWaterUse([new WaterUse(2.0, 60.0, 60.0)]);

    expect(TopUpHabit::of($use, TopUps::Level, 16.0, 12.0))->toBeNull()
        ->and(TopUpHabit::of($use, TopUps::None, 1.0, 0.5))->toBeNull()
        ->and(TopUpHabit::of($use, TopUps::Level, 1.0, 0.0))->toBeNull();
});
