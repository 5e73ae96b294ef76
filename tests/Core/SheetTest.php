<?php

declare(strict_types=1);

use KelpTub\Core\Build\Arc;
use KelpTub\Core\Build\Label;
use KelpTub\Core\Build\Layer;
use KelpTub\Core\Build\Line;
use KelpTub\Core\Build\Sheet;
use KelpTub\Core\Build\Step;
use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\Point;

// What templates are drawn of: lines, arcs and words, to the millimetre.

function sheet(): Sheet
{
    return new Sheet('lid', 'Lid', new Point(-110.0, -70.0), new Point(130.0, 90.0));
}

/** Where each piece of an outline begins and ends. @return list<array{Point, Point}> */
function ends(Sheet $sheet): array
{
    return array_map(static fn (Line|Arc|Label $item): array => match (true) {
        $item instanceof Line => [$item->from, $item->to],
        $item instanceof Arc => [$item->at($item->from), $item->at($item->to)],
        default => throw new LogicException('An outline has no words.'),
    }, $sheet->items());
}

it('is as wide and as high as its corners say', function () {
    expect([sheet()->width(), sheet()->height()])->toBe([240.0, 160.0]);
});

it('draws a rectangle with round corners whose pieces meet, on its sides and nowhere beyond them', function (
    float $radius,
    int $pieces,
    float $long,
    float $wide,
) {
    $sheet = sheet();
    $sheet->section(Layer::Outline, CrossSection::rectangle($long, $wide, $radius), new Point(10.0, 20.0), true);
    $ends = ends($sheet);
    expect($sheet->items())->toHaveCount($pieces);

    // Each end is one other piece's beginning, so the line is closed.
    foreach ($ends as [, $end]) {
        $met = array_filter($ends, static fn (array $of): bool => hypot($of[0]->x - $end->x, $of[0]->y - $end->y) < 1e-9);
        expect($met)->toHaveCount(1);
    }
    $xs = array_merge(...array_map(static fn (array $of): array => [$of[0]->x, $of[1]->x], $ends));
    $ys = array_merge(...array_map(static fn (array $of): array => [$of[0]->y, $of[1]->y], $ends));
    expect([min($xs), max($xs)])->toEqualWithDelta([10.0 - $long / 2, 10.0 + $long / 2], 1e-9)
        ->and([min($ys), max($ys)])->toEqualWithDelta([20.0 - $wide / 2, 20.0 + $wide / 2], 1e-9);
    foreach ($sheet->items() as $item) {
        expect($item->dashed)->toBeTrue()->and($item->layer)->toBe(Layer::Outline);
        if ($item instanceof Arc) {
            expect($item->to - $item->from)->toBe(90.0)->and($item->radius)->toBe(min($radius, 60.0))->and($item->isCircle())->toBeFalse();
            // It bulges outwards: its middle is farther from the middle than its own centre.
            $middle = $item->at(($item->from + $item->to) / 2);
            expect(hypot($middle->x - 10.0, $middle->y - 20.0))->toBeGreaterThan(hypot($item->centre->x - 10.0, $item->centre->y - 20.0));
        }
    }
})->with([
    'sharp' => [0.0, 4, 200.0, 120.0], 'round' => [30.0, 8, 200.0, 120.0], 'rounder than it is wide' => [80.0, 6, 200.0, 120.0],
    'rounder than it is long' => [80.0, 6, 120.0, 200.0],
]);

it('draws a round section as one whole circle', function () {
    $sheet = sheet();
    $sheet->section(Layer::Holes, CrossSection::circle(51.0));
    [$circle] = $sheet->items();
    expect($circle)->toBeInstanceOf(Arc::class)->and($circle->radius)->toBe(25.5)->and($circle->isCircle())->toBeTrue()
        ->and($circle->dashed)->toBeFalse()->and([$circle->centre->x, $circle->centre->y])->toBe([0.0, 0.0])
        ->and((new Arc(Layer::Holes, new Point(0.0, 0.0), 1.0, 0.0, 359.9))->isCircle())->toBeFalse()
        ->and($circle->at(0.0)->x)->toEqualWithDelta(25.5, 1e-12)->and($circle->at(90.0)->y)->toEqualWithDelta(25.5, 1e-12);
});

it('marks a centre by two lines of eight millimetres that cross there, and writes 3.5 mm high', function () {
    $sheet = sheet();
    $sheet->cross(Layer::Centres, new Point(7.0, -3.0));
    $sheet->label(new Point(1.0, 2.0), 'Front');
    [$flat, $upright, $label] = $sheet->items();
    expect([$flat->from->x, $flat->to->x, $flat->from->y, $flat->to->y])->toBe([3.0, 11.0, -3.0, -3.0])
        ->and([$upright->from->x, $upright->to->x, $upright->from->y, $upright->to->y])->toBe([7.0, 7.0, -7.0, 1.0])
        ->and($flat->dashed)->toBeFalse()->and($label->height)->toBe(3.5)
        ->and((new Label(new Point(0.0, 0.0), 'x'))->height)->toBe(3.5);
});

it('knows a step again by what is done, measured and used in it, not by its words or by what it finds out', function () {
    $print = static fn (string $does, array $figures = ['Water' => '17.4 L'], array $finds = []): string => (new Step(
        'fill', 'Fill', $does, $figures, [], [], 5, [], 'cup', 'hole', 0.0, false, 'Done.', finds: $finds,
    ))->print();

    expect($print('Pour in 17 L.'))->toBe($print('Fill it with 17 L.'))->not->toBe($print('Pour in 18 L.'))
        ->and($print('Pour in 17 L.'))->not->toBe($print('Pour it in.'))
        ->and($print('Pour.', ['Water' => '17 L']))->not->toBe($print('Pour.', ['Water' => '18 L']))
        // What it finds out settles the design, and with it every amount that is said here.
        ->and($print('Read 17 L.', ['Water' => '17 L'], ['Water']))->toBe($print('Read 18 L.', ['Water' => '18 L'], ['Water']))
        ->and(Step::isOldPrint($print('Pour.')))->toBeFalse()->and(Step::isOldPrint('0a1b2c3d'))->toBeTrue();
});

it('prices one of what is sold in packs by the pack in which one costs least', function () {
    $offer = static fn (float $pack, float $price): Offer => new Offer('clip', $pack, $price, null);
    expect(UnitPrice::ofOne([]))->toBeNull()->and(UnitPrice::ofOne([$offer(10.0, 4.0), $offer(20.0, 5.0), $offer(2.0, 0.9)]))->toBe(0.25);
});
