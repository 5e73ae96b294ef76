<?php

declare(strict_types=1);

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\CupInHole;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Vessel\Profile;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\WhatIf\CupsApart;
use Tests\Core\Gardens;

it('knows a rounded box inside out', function () {
    $box = new RoundedBox(280, 185, 50);

    expect($box->clearance(0, 0))->toBe(185.0)
        ->and($box->clearance(280, 0))->toEqualWithDelta(0, 1e-9)
        ->and($box->clearance(300, 0))->toEqualWithDelta(-20, 1e-9)
        // The corner of the box lies (√2 − 1)·r outside its rounding.
        ->and($box->clearance(280, 185))->toEqualWithDelta(-(sqrt(2) - 1) * 50, 1e-9)
        ->and($box->reachY(0))->toBe(185.0)
        ->and($box->reachY(280))->toEqualWithDelta(135, 1e-9)
        ->and($box->reachX(185))->toEqualWithDelta(230, 1e-9)
        ->and($box->reachY(281))->toBe(-INF)
        ->and($box->inset(60)->radius)->toBe(0.0)
        ->and($box->contains($box->inset(10)))->toBeTrue()
        ->and($box->inset(10)->contains($box))->toBeFalse();
});

it('lays out patterns whose least distance is known', function (CrossSection $region, PatternKind $kind, int $count, float $spacing) {
    $arrangement = (new LayoutSolver(Gardens::space($region)))->arrange($kind, $count, 1.0);

    expect($arrangement?->count())->toBe($count)
        ->and($arrangement?->holeDistance)->toEqualWithDelta($spacing, 1e-4);
})->with(fn () => [
    // In a circle of radius 100: chords 2·R·sin(π/n); six and a centre are R apart.
    'two in a circle' => [CrossSection::circle(200), PatternKind::Ring, 2, 200.0],
    'three in a circle' => [CrossSection::circle(200), PatternKind::Ring, 3, 100 * sqrt(3)],
    'five in a circle' => [CrossSection::circle(200), PatternKind::Ring, 5, 200 * sin(M_PI / 5)],
    'seven in a circle' => [CrossSection::circle(200), PatternKind::Ring, 7, 100.0],
    'four in a circle as a grid' => [CrossSection::circle(200), PatternKind::Grid, 4, 100 * sqrt(2)],
    // In a square of side 200.
    'four in a square' => [CrossSection::rectangle(200, 200, 0), PatternKind::Grid, 4, 200.0],
    'nine in a square' => [CrossSection::rectangle(200, 200, 0), PatternKind::Grid, 9, 100.0],
    'five in a square' => [CrossSection::rectangle(200, 200, 0), PatternKind::Corners, 5, 100 * sqrt(2)],
    // Three rows 2-1-2 in a 200 × 200 square: the middle one is half the diagonal away.
    'five staggered' => [CrossSection::rectangle(200, 200, 0), PatternKind::Staggered, 5, 100 * sqrt(2)],
    // Corners and sides of a 400 × 200 rectangle: thirds of 133.3 along, halves of 100 across.
    'ten round the sides' => [CrossSection::rectangle(400, 200, 0), PatternKind::Corners, 10, 100.0],
    'eight in a rectangle' => [CrossSection::rectangle(600, 200, 0), PatternKind::Grid, 8, 200.0],
]);

it('draws the corner of a grid in where the region is rounded', function () {
    // A circle of radius 100, 3 × 2: steps x and 2y with x² + y² = R² meet where x = 2y, so the step is 2R/√5.
    $arrangement = (new LayoutSolver(Gardens::space(CrossSection::circle(200))))->arrange(PatternKind::Grid, 6, 1.0);

    expect($arrangement?->holeDistance)->toEqualWithDelta(200 / sqrt(5), 1e-6);
});

it('picks the widest pattern, and the earlier one on a tie', function () {
    $circle = new LayoutSolver(Gardens::space(CrossSection::circle(400)));
    $square = new LayoutSolver(Gardens::space(CrossSection::rectangle(400, 400, 0)));

    expect($circle->arrange(PatternKind::Best, 1, 1.0)?->pattern)->toBe(PatternKind::Single)
        ->and($circle->arrange(PatternKind::Best, 4, 1.0)?->pattern)->toBe(PatternKind::Grid)
        ->and($circle->arrange(PatternKind::Best, 5, 1.0)?->pattern)->toBe(PatternKind::Ring)
        ->and($square->arrange(PatternKind::Best, 4, 1.0)?->pattern)->toBe(PatternKind::Grid)
        ->and($square->arrange(PatternKind::Best, 5, 1.0)?->pattern)->toBe(PatternKind::Staggered);
});

it('keeps every layout inside its limits, and cannot fit one more than the most', function (string $vessel, string $cup) {
    $tub = Gardens::tubPlan(Gardens::tub(['vessel' => $vessel, 'cup' => $cup]));
    $leastDistance = $tub->cutting->space->leastDistanceOfMost();

    expect($tub->holes->count())->toBe($tub->plants->capacity->byLid)
        ->and(
            Gardens::planner()->aids->solver($tub->cutting->space)->arrange(
                PatternKind::Best,
                $tub->holes->count() + 1,
                $leastDistance,
            ) !== null && $tub->holes->count() < $tub->cutting->space->mostByArea(),
        )->toBeFalse();
    foreach ($tub->holes->arrangement->points as $i => $p) {
        if ($tub->holes->count() > 1) {
            expect($tub->cutting->space->edge($p))->toBeGreaterThanOrEqual($tub->tub->body->lid->make->leastEdge() - 1e-6);
        }
        expect($tub->cutting->space->wall($p))->toBeGreaterThanOrEqual(5 - 1e-6)
            ->and($tub->cutting->space->keepOut($p))->toBeGreaterThanOrEqual(5 - 1e-6);
        for ($j = 0; $j < $i; $j++) {
            expect($p->distanceTo($tub->holes->arrangement->points[$j]))->toBeGreaterThanOrEqual($leastDistance - 1e-6);
        }
    }
    expect(($tub->holes->removedPercent() ?? 0.0) <= 35.0001 || $tub->holes->count() === 1)->toBeTrue();
})->with(
    ['bucket-20', 'tote-45', 'tote-30', 'tote-12', 'tray-9', 'tub-70-round', 'bucket-5'],
)->with(['net-cup-50', 'net-cup-75', 'net-cup-100']);

it('gives the same layout every time', function () {
    $holes = fn () => json_encode(Gardens::report(Gardens::tub(['vessel' => 'tote-64', 'crop' => 'basil']))->tubs[0]->layout);

    expect($holes())->toBe($holes());
});

it('sets the least distance by lips, web and ligament', function () {
    expect(Gardens::space(CrossSection::circle(200))->leastDistance())->toBe(69.0)
        ->and(Gardens::space(CrossSection::circle(200), make: LidMake::Ribbed)->leastDistance())->toBe(64.0)
        ->and(Gardens::space(CrossSection::circle(200), make: LidMake::Thin)->leastDistance())->toBe(79.0)
        ->and(Gardens::space(CrossSection::circle(200), hole: 38, make: LidMake::Ribbed)->leastDistance())->toBe(61.0)
        ->and(
            Gardens::space(CrossSection::circle(400), hole: 57, make: LidMake::Ribbed)->leastDistanceOfMost(),
        )->toEqualWithDelta(57 / 0.85, 1e-9);
});

it('draws a pattern in to clear a keep-out, and leaves out what cannot', function () {
    $latch = new KeepOut(-300, 0, CrossSection::rectangle(60, 90, 0));
    $clear = new LayoutSolver(Gardens::space(CrossSection::rectangle(600, 200, 0), [$latch]));
    $three = $clear->arrange(PatternKind::Grid, 3, 100.0);
    $rib = new KeepOut(0, 0, CrossSection::rectangle(18, 400, 0));
    $ribbed = new LayoutSolver(Gardens::space(CrossSection::rectangle(600, 200, 0), [$rib]));

    expect($three)->not->toBeNull();
    foreach ($three->points as $p) {
        expect($latch->distanceTo($p->x, $p->y))->toBeGreaterThanOrEqual(29 + 5 - 1e-6);
    }
    expect($ribbed->arrange(PatternKind::Grid, 3, 100.0)?->points)->toBeNull()
        ->and($ribbed->arrange(PatternKind::Grid, 4, 100.0)?->count())->toBe(4);
});

it('keeps the hanging cup off tapering walls', function () {
    // A tote that narrows by 60 over 100 mm: at the cup's bottom, 52 below the rim, the wall is 15.6 further in on each side.
    $profile = new Profile([new Station(0, CrossSection::rectangle(340, 240, 0)), new Station(100, CrossSection::rectangle(400, 300, 0))]);
    $space = new LayoutSpace(
        new Lid(CrossSection::rectangle(600, 500, 0), 2.5, LidMake::Plain, 0, []),
        [new CupInHole(new Cup(null, 'Cup', 58, 50, 36, 52, false), 54, 48)],
        $profile,
    );

    expect($space->reachX(0))->toEqualWithDelta(min(200 - 25 - 5, 170 + 0.48 * 30 - 18 - 5), 1e-9)
        ->and($space->wall(new Point(0, 0)))->toEqualWithDelta(min(150 - 25, 120 + 0.48 * 30 - 18), 1e-9);
});

it('asks only five millimetres of edge of one cup in the middle', function () {
    $small = [
        'stations' => [['height_mm' => 0, 'diameter_mm' => 90], ['height_mm' => 200, 'diameter_mm' => 92]],
        'lid' => ['diameter_mm' => 90],
    ];

    expect(Gardens::report(Gardens::tub(['vessel' => $small]))->tubs[0]->layout->count)->toBe(1)
        ->and(Gardens::findings(Gardens::tub(['vessel' => $small])))->not->toContain('mend lid.edge');
});

it('lays out a number asked for, as far apart as it goes', function () {
    $report = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 8]]))->tubs[0]->layout;

    expect($report->count)->toBe(8)
        ->and($report->pattern)->toBe('grid')
        // Edge 20 and half a hole of 51 leave 489 × 299 for the centres: thirds of 163 along.
        ->and($report->spacing_mm)->toEqualWithDelta(163.0, 1e-6)
        ->and($report->edge_mm)->toEqualWithDelta(20.0, 1e-6)
        ->and($report->web_mm)->toEqualWithDelta(112.0, 1e-6)
        ->and($report->removed_pct)->toEqualWithDelta(100 * 8 * M_PI * 25.5 ** 2 / (580 * 390 - (4 - M_PI) * 2500), 1e-9);
});

it('leaves places of a larger pattern uncut rather than turn a number down', function () {
    $report = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 11]]))->tubs[0]->layout;

    expect($report->count)->toBe(11)
        ->and(
            Gardens::findings(Gardens::tub(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 11]])),
        )->toContain('mind lid.incomplete');
});

it('never moves holes laid out by hand', function () {
    $holes = [['x_mm' => -100, 'y_mm' => 20], ['x_mm' => 60.5, 'y_mm' => -30]];
    $layout = Gardens::report(
        Gardens::tub(['vessel' => 'tote-45', 'layout' => ['pattern' => 'manual', 'holes' => $holes]]),
    )->tubs[0]->layout;

    expect(array_map(fn ($h) => ['x_mm' => $h->x_mm, 'y_mm' => $h->y_mm], $layout->holes))->toEqual($holes)
        // From the left and the front of a 580 × 390 lid; the first is 149.5 = 195 − 20 − 25.5 from the back edge.
        ->and(
            [$layout->holes[0]->from_left_mm, $layout->holes[0]->from_front_mm, $layout->holes[0]->edge_mm],
        )->toEqual([190.0, 215.0, 149.5])
        ->and($layout->pattern)->toBe('manual')
        ->and($layout->spacing_mm)->toEqualWithDelta(hypot(160.5, 50), 1e-9);
});

it('marks a round lid out by radius and angle', function () {
    $holes = Gardens::report(Gardens::tub(['layout' => ['pattern' => 'ring', 'cups' => 4]]))->tubs[0]->layout->holes;

    expect(array_map(fn ($h) => round($h->angle_deg, 6), $holes))->toBe([90.0, 0.0, 270.0, 180.0])
        ->and(array_unique(array_map(fn ($h) => round($h->radius_mm, 6), $holes)))->toBe([107.0])
        ->and($holes[0]->from_left_mm)->toBeNull();
});

it('finds what is wrong with a lid', function (array $tub, string $finding) {
    expect(Gardens::findings(Gardens::tub(['vessel' => 'tote-45', ...$tub])))->toContain($finding);
})->with(fn () => [
    'lips' => [
        ['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 60, 'y_mm' => 0]]]],
        'stop lid.lips',
    ],
    'web' => [
        ['hole_mm' => 54, 'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 62, 'y_mm' => 0]]]],
        'mend lid.web',
    ],
    'holes that meet' => [
        ['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 50, 'y_mm' => 0]]]],
        'stop lid.web',
    ],
    'edge' => [
        ['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 246, 'y_mm' => 0], ['x_mm' => 0, 'y_mm' => 0]]]],
        'mend lid.edge',
    ],
    'over the edge' => [['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 285, 'y_mm' => 0]]]], 'stop lid.edge'],
    'wall' => [['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 254, 'y_mm' => 0]]]], 'mend lid.wall'],
    'into the wall' => [['layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 270, 'y_mm' => 0]]]], 'stop lid.wall'],
    'too many' => [['layout' => ['cups' => 90]], 'stop lid.too-many'],
    'more plants than cups' => [['layout' => ['cups' => 4], 'plants' => 6], 'stop lid.too-many'],
    'a hole larger than the lid' => [
        ['hole_mm' => 500, 'cup' => ['lip_diameter_mm' => 510, 'top_diameter_mm' => 498, 'bottom_diameter_mm' => 300, 'height_mm' => 100]],
        'stop lid.too-many',
    ],
    'over a third cut away' => [['hole_mm' => 54, 'layout' => ['cups' => 35]], 'mind lid.removed'],
    'a fruiting plant on a thin lid' => [['vessel' => 'bucket-5', 'crop' => 'chilli'], 'mend lid.heavy-plant'],
    'keep-out' => [
        ['vessel' => 'tote-30', 'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -215, 'y_mm' => 0]]]],
        'mend lid.keep-out',
    ],
]);

it('measures the least distance of an arrangement', function () {
    expect(Arrangement::leastDistance([new Point(0, 0)]))->toBeNull()
        ->and(Arrangement::leastDistance([new Point(0, 0), new Point(3, 4), new Point(30, 0)]))->toBe(5.0);
});

it('takes as many cups as go so far apart, and not one more', function (array $tub, float $apart, ?int $cups) {
    $garden = Gardens::tub($tub);
    $count = (new CupsApart(Gardens::reader(), Gardens::planner()))->of($garden, $garden->tubs[0], $apart);
    $laid = fn (int $n) => Gardens::report(
        Gardens::tub([...$tub, 'layout' => [...$tub['layout'] ?? [], 'cups' => $n]]),
    )->tubs[0]->layout;

    if ($cups !== null) {
        expect($count)->toBe($cups);
    }
    if ($count > 1) {
        expect($laid($count)->count)->toBe($count)->and($laid($count)->spacing_mm)->toBeGreaterThanOrEqual($apart - 1e-6);
    }
    // One more would stand nearer, in its own pattern.
    if (isset($tub['layout'])) {
        expect($laid($count + 1)->spacing_mm < $apart || $laid($count + 1)->count <= $count)->toBeTrue();
    }
})->with([
    'a bucket, seven inches' => [[], 177.8, 3],
    'a grid, seven inches' => [['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid']], 177.8, 6],
    'a grid, a little farther' => [['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid']], 260.0, 4],
    'rows' => [['vessel' => 'tote-90', 'layout' => ['pattern' => 'staggered']], 150.0, null],
    'nearer than lips go' => [['vessel' => 'tote-12', 'layout' => ['pattern' => 'grid']], 1.0, null],
    'farther than the lid' => [[], 900.0, 1],
    'a mouth' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75'], 100.0, 1],
]);
