<?php

declare(strict_types=1);

use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Climate;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\StillWater;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Crop\WaterUse;
use KelpTub\Core\Cup\GrowingSystem;
use Tests\Core\Gardens;

it('has every crop of the table with all its figures', function () {
    $crops = Gardens::library()->crops;

    expect(count($crops))->toBeGreaterThanOrEqual(42)
        ->and($crops->get('lettuce-leaf')->waterToHarvestL)->toBe(3.8)
        ->and($crops->get('tomato-vine')->matureHeightMm)->toBe(2000.0)
        ->and($crops->get('mizuna')->repeats)->toBeTrue()
        ->and($crops->get('celery')->stillWater)->toBe(StillWater::No);
    foreach ($crops as $crop) {
        expect($crop->spacingMm)->toBeGreaterThan(0)
            ->and($crop->ecLow)->toBeLessThan($crop->ecHigh)
            ->and($crop->phLow)->toBeLessThan($crop->phHigh)
            ->and($crop->waterTempLowC)->toBeLessThan($crop->waterTempHighC)
            ->and($crop->habit)->toBeIn(['rosette', 'upright', 'herb', 'bush', 'climber', 'cutting']);
    }
});

it('makes the climate factor from vapour pressure deficit and light', function () {
    // Tetens at 21 °C and 55 %: 2.4870·0.45 = 1.11915 kPa; at 30 °C and 40 %: 2.5458, clamped to 2.5.
    expect(Climate::vapourPressureDeficit(21, 55))->toEqualWithDelta(1.1191524, 1e-6)
        ->and(Climate::factor(21, 55, 16))->toEqualWithDelta(1.1191524, 1e-6)
        ->and(Climate::factor(30, 40, 16))->toBe(2.5)
        ->and(Climate::factor(10, 95, 16))->toBe(0.4)
        ->and(Climate::factor(30, 40, 24))->toEqualWithDelta(2.5 * 1.3, 1e-9)
        ->and(Climate::factor(30, 40, 2))->toBe(1.25);
});

it('uses water along the growth curve', function () {
    expect(WaterUse::share(0))->toBe(0.0)
        ->and(WaterUse::share(0.25))->toEqualWithDelta(0.0336342, 1e-6)
        ->and(WaterUse::share(0.5))->toEqualWithDelta(0.1703626, 1e-6)
        ->and(WaterUse::share(0.75))->toEqualWithDelta(0.5100491, 1e-6)
        ->and(WaterUse::share(1))->toEqualWithDelta(1.0, 1e-12)
        ->and(WaterUse::PEAK)->toEqualWithDelta(2.1005, 1e-4)
        ->and(WaterUse::share(1.5))->toEqualWithDelta(1 + 0.5 * 2.1005, 1e-4);
});

it('finds the day on which a volume is used', function () {
    $lettuce = new WaterUse(3.8, 32, 32);
    $mizuna = new WaterUse(3.5, 28, 56);

    expect($lettuce->dayWhenUsed(1.9))->toEqualWithDelta(23.814975, 1e-5)
        ->and($lettuce->dayWhenUsed(3.81))->toBeNull()
        ->and($mizuna->dayWhenUsed(5.0))->toEqualWithDelta(28 + 28 * (5 / 3.5 - 1) / 2.1005, 1e-2)
        ->and($lettuce->dayWhenUsed(0))->toBe(0.0);
    foreach ([0.3, 1.0, 2.7, 3.4] as $litres) {
        expect($lettuce->until((float) $lettuce->dayWhenUsed($litres)))->toEqualWithDelta($litres, 1e-9);
    }
});

it('carries what the water carries', function () {
    $mizuna = Gardens::library()->crops->get('mizuna');
    $carries = fn (Density $d, GrowingSystem $s, TopUps $t, float $working, float $usable, float $climate = 1.0) => Capacity::byWater(
        $mizuna,
        $d,
        $s,
        $t,
        $climate,
        $working,
        $usable,
    );

    // 2 L a plant, 3.5 L to harvest in 28 days, peak 3.5/28·2.1005 = 0.2626 L a day.
    expect($carries(Density::Roomy, GrowingSystem::Aerated, TopUps::Level, 17.9, 10))->toBe(8)
        ->and($carries(Density::Tight, GrowingSystem::Aerated, TopUps::Level, 17.9, 10))->toBe(25)
        ->and($carries(Density::Roomy, GrowingSystem::Passive, TopUps::None, 17.9, 8.1))->toBe(2)
        ->and($carries(Density::Roomy, GrowingSystem::Passive, TopUps::None, 17.9, 8.0))->toBe(1)
        ->and($carries(Density::Roomy, GrowingSystem::Passive, TopUps::None, 17.9, 8.1, 1.2))->toBe(1)
        ->and($carries(Density::Tight, GrowingSystem::Passive, TopUps::None, 17.9, 8.1))->toBe(4)
        // 1/3·8.1/(2·0.26256) = 5.14; a quarter 3.86; a half 7.71.
        ->and($carries(Density::Roomy, GrowingSystem::Passive, TopUps::Level, 17.9, 8.1))->toBe(5)
        ->and($carries(Density::Roomy, GrowingSystem::Passive, TopUps::Quarter, 17.9, 8.1))->toBe(3)
        ->and($carries(Density::Roomy, GrowingSystem::Passive, TopUps::Half, 17.9, 8.1))->toBe(7)
        ->and($carries(Density::Roomy, GrowingSystem::Cloner, TopUps::Level, 17.9, 8.1))->toBeNull();
});

it('takes the least of lid, spacing and water, and says which', function () {
    expect([Capacity::of(9, 6, 4)->plants, Capacity::of(9, 6, 4)->limitedBy])->toBe([4, 'water'])
        ->and([Capacity::of(9, 6, 20)->plants, Capacity::of(9, 6, 20)->limitedBy])->toBe([6, 'spacing'])
        ->and([Capacity::of(9, 9, null)->plants, Capacity::of(9, 9, null)->limitedBy])->toBe([9, 'lid'])
        ->and(Capacity::of(9, 9, 0)->plants)->toBe(1)
        ->and(Capacity::of(0, 0, 5)->plants)->toBe(0);
});

it('lays out as many cups as the tub carries', function (array $tub) {
    $report = Gardens::report(Gardens::tub($tub))->tubs[0];

    expect($report->layout->count)->toBe($report->capacity->plants);
    if ($report->capacity->by_water !== null && $report->layout->count > 1) {
        expect($report->capacity->by_water)->toBeGreaterThanOrEqual($report->layout->count);
    }
})->with([
    [['vessel' => 'tote-45', 'crop' => 'mizuna']],
    [['vessel' => 'tote-45', 'crop' => 'rocket', 'density' => 'tight']],
    [['vessel' => 'tote-12', 'crop' => 'lettuce-leaf']],
    [['vessel' => 'bucket-10', 'crop' => 'aubergine', 'cup' => 'net-cup-75']],
    [['vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'system' => 'passive']],
    [['vessel' => 'tote-45', 'crop' => 'basil', 'system' => 'passive', 'top_ups' => 'quarter']],
]);

it('judges a passive tub by its gap and its dry day', function () {
    $report = Gardens::report(Gardens::tub(['system' => 'passive', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 2]]))->tubs[0];
    // Two lettuces drink 2·3.8·1.11915 L; the level at harvest is where that is gone.
    $left = $report->volume->working_l - 2 * 3.8 * 1.1191524;

    expect($report->season->water_to_harvest_l)->toEqualWithDelta(2 * 3.8 * 1.1191524, 1e-5)
        ->and($report->season->harvest_day)->toBe(32.0)
        ->and($report->season->dry_day)->toBeNull()
        ->and($report->levels->water_line_mm)->toBe(323.0)
        ->and($report->levels->air_gap_harvest_mm)->toBeGreaterThan(25.0)
        ->and(
            Gardens::tubPlan(
                Gardens::tub(['system' => 'passive', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 2]]),
            )->water->reservoir->litresAt($report->levels->harvest_mm),
        )->toEqualWithDelta($left, 1e-6)
        ->and($report->oxygen->steady_mg_l)->toBeNull()
        ->and($report->oxygen->saturation_mg_l)->toBeGreaterThan(9.0);
});

it('finds what a crop has against its place', function (array $tub, array $site, string $finding) {
    expect(Gardens::findings(Gardens::tub($tub, ['site' => (object) $site])))->toContain($finding);
})->with([
    'crowded' => [['crop' => 'lettuce-leaf', 'layout' => ['cups' => 7]], [], 'mend crop.spacing'],
    'a little crowded' => [
        [
            'vessel' => 'tote-45',
            'crop' => 'celery-leaf',
            'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -75, 'y_mm' => 0], ['x_mm' => 75, 'y_mm' => 0]]],
        ],
        [],
        'mind crop.spacing',
    ],
    'crowded on purpose' => [
        ['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'density' => 'tight', 'layout' => ['cups' => 15]],
        [],
        'mind crop.spacing',
    ],
    'little water' => [['vessel' => 'bucket-5', 'crop' => 'tomato-vine', 'cup' => 'net-cup-75'], [], 'mend crop.water'],
    'not without air' => [['system' => 'passive', 'crop' => 'celery'], [], 'mend crop.passive'],
    'not long without air' => [['system' => 'passive', 'crop' => 'spinach'], [], 'mind crop.passive'],
    'cool' => [['crop' => 'basil'], ['water_temperature_c' => 16], 'mind crop.temperature'],
    'cold' => [['crop' => 'basil'], ['water_temperature_c' => 14], 'mend crop.temperature'],
    'hot' => [['crop' => 'spinach'], ['water_temperature_c' => 24], 'mend crop.temperature'],
    'dark' => [['crop' => 'basil'], ['light_hours' => 11], 'mind crop.light'],
    'low' => [['crop' => 'tomato-dwarf'], ['headroom_mm' => 500], 'mind crop.headroom'],
    'dry' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75', 'crop' => 'dill'], [], 'stop passive.dry'],
    'drowned to the line' => [['system' => 'passive', 'crop' => 'dill', 'top_ups' => 'level'], [], 'mend passive.top-up'],
    'drowned by half' => [['system' => 'passive', 'crop' => 'dill', 'top_ups' => 'half'], [], 'mend passive.top-up'],
    'no gap' => [['system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'chives', 'layout' => ['cups' => 1]], [], 'mind passive.gap'],
    'a line of another system' => [['system' => 'passive', 'crop' => 'dill', 'water_line' => 'gap'], [], 'mind tub.line'],
]);

it('lets foliage lean out over a small lid', function () {
    // Three lettuces on one ring stand 185.3 apart; four stand 151.3, over 0.8 of 170 and so no finding.
    $four = Gardens::tub(['crop' => 'lettuce-leaf', 'layout' => ['cups' => 4]]);
    $grown = Gardens::report($four)->tubs[0];

    expect($grown->layout->spacing_mm)->toEqualWithDelta(107.0 * sqrt(2), 1e-6)
        ->and($grown->limits->crop_spacing_mm)->toEqualWithDelta(136.0, 1e-9)
        ->and(array_filter(Gardens::findings($four), fn ($f) => str_contains($f, 'crop.spacing')))->toBe([]);
});
