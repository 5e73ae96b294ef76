<?php

declare(strict_types=1);

use Tests\Core\Gardens;

// Small gardens that once went wrong.

/** @return array<string, mixed> a square tote with straight walls and its lid */
function square(float $side): array
{
    $section = ['length_mm' => $side, 'width_mm' => $side, 'corner_radius_mm' => 0];

    return ['kind' => 'tote', 'stations' => [['height_mm' => 0, ...$section], ['height_mm' => 300, ...$section]]];
}

it('keeps corner and middle of five cups apart', function (float $side) {
    // Holes of 54 centred 47 from the edge: corner to middle is √2·(side/2 − 47), and lid and lips want 69.
    $report = Gardens::report(
        Gardens::tub(['vessel' => square($side), 'hole_mm' => 54, 'layout' => ['pattern' => 'corners', 'cups' => 5]]),
    );
    $five = sqrt(2) * ($side / 2 - 47) >= 69;

    expect($report->tubs[0]->layout->pattern === 'corners' && $report->tubs[0]->layout->count === 5 && $report->tubs[0]->layout->complete)
        ->toBe($five)
        ->and(array_column($report->findings, 'code'))->not->toContain('lid.lips', 'lid.web');
})->with([170, 185, 191, 192, 200, 240]);

it('takes a cup\'s number with a point, and lengths and valves that are next to nothing for mistakes', function () {
    $hole = ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0, 'cup' => 1.0]]];
    $garden = static fn (array $tub, array $air = []): string => (string) json_encode([
        'format' => 'kelp-tub.garden',
        'version' => 1,
        'tubs' => [['id' => 't', 'system' => 'aerated', 'vessel' => 'bucket-20', ...$tub]],
        'air' => $air,
    ], JSON_PRESERVE_ZERO_FRACTION);
    $valve = static fn (float $open): array => [
        ['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 't', 'valve' => $open]]],
    ];
    $floor = static fn (float $across): array => [
        'vessel' => ['stations' => [['height_mm' => 0, 'diameter_mm' => $across], ['height_mm' => 100, 'diameter_mm' => 100]]],
    ];

    expect(Gardens::faults($garden(['layout' => $hole])))->toBe([])
        ->and(Gardens::report(Gardens::reader()->read($garden(['layout' => $hole])))->tubs[0]->layout->holes[0]->cup)->toBe(1)
        ->and(Gardens::faults($garden([], $valve(0.0))))->toBe([])
        ->and(Gardens::faults($garden([], $valve(0.01))))->toBe([])
        ->and(Gardens::faults($garden([], $valve(0.0099))))
        ->toBe(['/air/0/branches/0/valve: is 0.0099; it is 0 for closed, or from 0.01 to 1'])
        ->and(Gardens::faults($garden($floor(0.01))))->toBe([])
        ->and(Gardens::faults($garden($floor(1.0e-170))))
        ->toBe(['/tubs/0/vessel/stations/0/diameter_mm: is 1.0e-170; the least is 0.01']);
});

it('buys a drill only where something is drilled', function (array $tub, array $air, bool $drilled) {
    $parts = array_column(Gardens::report(Gardens::tub($tub, [], $air))->parts, 'need', 'key');

    expect(isset($parts['drill']))->toBe($drilled);
})->with([
    'a jar that nothing is cut for' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75'], [], false],
    'a lid traced and cut by knife' => [['system' => 'passive', 'cutting' => 'traced'], [], false],
    'a lid cut with a saw' => [['system' => 'passive'], [], true],
    'a hole for the tube' => [['cutting' => 'traced'], [], true],
    'a hole for the cord' => [
        ['system' => 'passive', 'cutting' => 'traced', 'under' => ['vessel' => 'tote-90', 'blocks_mm' => 80]],
        [],
        true,
    ],
]);

it('says by how much a tub of several crops falls short until the last of them is harvested', function () {
    $plan = Gardens::tubPlan($garden = Gardens::tub([
        'system' => 'passive',
        'vessel' => 'bucket-10',
        'crops' => [['crop' => 'rocket', 'plants' => 1], ['crop' => 'thyme', 'plants' => 1]],
    ]));
    $dry = array_column(Gardens::report($garden)->findings, null, 'code')['passive.dry'];
    $short = $plan->water->use->until($plan->water->use->harvestDay) - $plan->water->usable();

    expect($short)->toBeGreaterThan(0.0)
        ->and($plan->water->use->toHarvest)->toBeLessThan($plan->water->usable())
        ->and(str_replace("\u{2009}", ' ', $dry->says))->toContain('It lacks '.round($short, 1).' L.');
});
