<?php

declare(strict_types=1);

use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Panel;
use Tests\Core\Gardens;

/** @param  list<array{float, float}>  $corners */
function panel(array $corners): Panel
{
    return new Panel(array_map(static fn (array $c): Point => new Point($c[0], $c[1]), $corners));
}

/** @return array<string, mixed> a box with a lid of 600 by 400 on which these panels are moulded */
function moulded(array $panels): array
{
    $section = ['length_mm' => 580, 'width_mm' => 380, 'corner_radius_mm' => 0];

    return [
        'stations' => [['height_mm' => 0, ...$section], ['height_mm' => 300, ...$section]],
        'lid' => ['length_mm' => 600, 'width_mm' => 400, 'panels' => array_map(
            static fn (array $panel): array => array_map(static fn (array $c): array => ['x_mm' => $c[0], 'y_mm' => $c[1]], $panel),
            $panels,
        )],
    ];
}

/** A strip of triangles with a base of 200, standing on it and on their point in turn, $count of them. */
function strip(int $count): array
{
    return array_map(static fn (int $i): array => array_map(
        static fn (array $c): array => [$c[0] + 100 * $i - 250, $i % 2 ? -$c[1] : $c[1]],
        [[0, -150], [200, -150], [100, 150]],
    ), range(0, $count - 1));
}

it('finds where the largest circle lies', function (array $corners, float $x, float $y, float $radius) {
    $panel = panel($corners);

    expect($panel->middle->x)->toEqualWithDelta($x, 1e-6)
        ->and($panel->middle->y)->toEqualWithDelta($y, 1e-6)
        ->and($panel->clearance($panel->middle->x, $panel->middle->y))->toEqualWithDelta($radius, 1e-6);
})->with([
    // Legs 3 and 4, hypotenuse 5: the circle has a radius of (3 + 4 − 5) / 2.
    'a right triangle' => [[[0, 0], [400, 0], [0, 300]], 100, 100, 100],
    'the same, the other way round' => [[[0, 0], [0, 300], [400, 0]], 100, 100, 100],
    'an even one' => [[[-100, 0], [100, 0], [0, 100 * sqrt(3)]], 0, 100 / sqrt(3), 100 / sqrt(3)],
    'a square' => [[[0, 0], [200, 0], [200, 200], [0, 200]], 100, 100, 100],
    'a kite' => [[[0, -100], [100, 0], [0, 100], [-100, 0]], 0, 0, 100 / sqrt(2)],
]);

it('lies nowhere deeper than in its middle', function () {
    mt_srand(20261126);
    $tried = 0;
    while ($tried < 60) {
        $corners = array_map(static fn (): array => [mt_rand(-200, 200), mt_rand(-200, 200)], range(1, mt_rand(3, 4)));
        if (! Panel::isSound(array_map(static fn (array $c): Point => new Point(...$c), $corners))) {
            continue;
        }
        $tried++;
        $panel = panel($corners);
        $best = $panel->clearance($panel->middle->x, $panel->middle->y);
        expect($best)->toBeGreaterThan(0.0);
        for ($i = 0; $i < 50; $i++) {
            expect($panel->clearance(mt_rand(-2000, 2000) / 10, mt_rand(-2000, 2000) / 10))->toBeLessThanOrEqual($best + 1e-6);
        }
    }
});

it('puts a hole into each panel, and none over a ridge', function () {
    $garden = Gardens::tub(['vessel' => moulded(strip(4)), 'layout' => ['pattern' => 'panels', 'cups' => 'max']]);
    $tub = Gardens::report($garden)->tubs[0];

    expect($tub->layout->count)->toBe(4)
        ->and(Gardens::findings($garden))->not->toContain('mind lid.panel')
        ->and($tub->shape->lid->panels[0]->clear_mm)->toEqualWithDelta(2 * 30000 / (200 + 2 * hypot(100, 300)), 1e-9)
        ->and(array_map(static fn ($h): float => round($h->x_mm, 9), $tub->layout->holes))->toEqual([-150, -50, 50, 150]);
});

it('leaves a panel alone in which no hole may go', function () {
    // 14 wide along the right edge, where the rim carries the load.
    $panels = [...strip(4), [[286, -100], [300, -100], [300, 100], [286, 100]]];
    $garden = Gardens::tub(['vessel' => moulded($panels), 'layout' => ['pattern' => 'panels', 'cups' => 'max']]);
    $layout = Gardens::report($garden)->tubs[0]->layout;

    expect($layout->count)->toBe(4)->and(max(array_map(static fn ($h): float => $h->x_mm, $layout->holes)))->toBeLessThan(160.0);
});

it('says which holes cut over a ridge, just over it and not just beside it', function (float $y, bool $over) {
    // A base along y = −150; a hole of 51 needs 25.5 over it.
    $holes = [['x_mm' => -150, 'y_mm' => $y]];
    $garden = Gardens::tub(['vessel' => moulded(strip(1)), 'layout' => ['pattern' => 'manual', 'holes' => $holes]]);

    expect(in_array('mind lid.panel', Gardens::findings($garden), true))->toBe($over);
})->with(['just beside' => [-124.4, false], 'just over' => [-124.6, true], 'off it' => [190, true]]);

it('leaves lids without panels alone', function () {
    expect(Gardens::findings(Gardens::tub(['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0]]]])))
        ->not->toContain('mind lid.panel');
});

it('refuses panels that cross, dent in or are flat', function (array $corners) {
    expect(fn () => Gardens::tub(['vessel' => moulded([$corners])]))->toThrow(RefusedGarden::class, '/tubs/0/vessel/lid/panels/0');
})->with([
    'crossed' => [[[0, 0], [100, 100], [100, 0], [0, 100]]],
    'dented' => [[[0, 0], [100, 0], [20, 20], [0, 100]]],
    'flat' => [[[0, 0], [100, 0], [200, 0]]],
    'five corners' => [[[0, 0], [100, 0], [120, 50], [100, 100], [0, 100]]],
]);

it('says that no hole is placed yet, and offers a pattern', function () {
    $report = Gardens::report(Gardens::tub(['layout' => ['pattern' => 'manual', 'holes' => []]]));
    $found = array_column($report->findings, null, 'code');

    expect($found['lid.empty']->severity)->toBe('stop')
        ->and($found)->not->toHaveKey('lid.too-many')
        ->and(Gardens::deeds($found['lid.empty']->remedies[0]->patch)[0]->value)->toBe('best');
});
