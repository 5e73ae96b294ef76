<?php

declare(strict_types=1);

use KelpTub\Core\Build\Label;
use KelpTub\Core\Build\Step;
use KelpTub\Core\Cost\Basket;
use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\Supplier;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Marks\Build\BuildSheet;
use KelpTub\Core\Marks\Build\Templates;
use KelpTub\Core\Marks\Cost\CostFigures;
use KelpTub\Core\WhatIf\PumpRanking;
use Tests\Core\Gardens;

// Figures that once were broken by hand (tests/Mutation/named.php) without any test that saw it.

it('doses a part by its share at the stage: growing and in bloom', function () {
    $product = Gardens::library()->products->get('three-part-liquid');
    $share = fn (int $part, Stage $stage): float => $product->share($product->parts[$part], $stage);

    // From the label: 1.5 mL of each, Grow at 1.4 and Bloom at 0.6 while it grows, 0.5 and 1.6 in bloom.
    expect([$share(0, Stage::Grow), $share(1, Stage::Grow), $share(2, Stage::Grow)])->toBe([1.0, 1.4, 0.6])
        ->and([$share(0, Stage::Bloom), $share(1, Stage::Bloom), $share(2, Stage::Bloom)])->toBe([1.0, 0.5, 1.6])
        ->and($product->labelEc(Stage::Grow))->toEqualWithDelta(1.5 * (0.32 + 1.4 * 0.30 + 0.6 * 0.24), 1e-9)
        ->and($product->labelEc(Stage::Bloom))->toEqualWithDelta(1.5 * (0.32 + 0.5 * 0.30 + 1.6 * 0.24), 1e-9);
});

it('wraps a lid counter-clockwise from the right: what is behind comes before what is in front', function () {
    // Five in a ring, the first straight behind the middle and on from there clockwise.
    $garden = Gardens::tub(['vessel' => 'tub-70-round', 'crop' => 'chard', 'layout' => ['pattern' => 'ring', 'cups' => 5]]);
    $sheet = (new Templates(Gardens::fed($garden), $garden))->all()['wrap'];
    $turn = M_PI * Gardens::tubPlan($garden)->cutting->lid->outline->length;
    $at = [];
    foreach (array_filter($sheet->items(), fn ($item) => $item instanceof Label) as $label) {
        $at[$label->text] = ($label->at->x - 1.0) / $turn;
    }
    $points = Gardens::tubPlan($garden)->holes->arrangement->points;

    expect([$points[0]->y > 0.0, $points[2]->x > 0.0 && $points[2]->y < 0.0])->toBe([true, true])
        ->and($at['1'])->toEqualWithDelta(0.25, 1e-9)
        ->and($at['3'])->toEqualWithDelta(0.25 - 2 / 5 + 1, 1e-9)
        ->and($at['4'])->toEqualWithDelta(0.25 - 3 / 5 + 1, 1e-9);
});

it('asks for a step again when the amount of a part in it changes, and not when the part is called otherwise', function () {
    $print = fn (string $part): string => (new Step(
        'wash', 'Wash', 'Wash it.', [], [], ['clay-pebbles' => $part], 5, [], 'cup', 'hole', 0.0, false, 'Done.',
    ))->print();

    expect($print('Pebbles, 381 mL'))->not->toBe($print('Pebbles, 300 mL'))
        ->and($print('Pebbles, 381 mL'))->toBe($print('Clay pebbles, 381 mL'));
});

it('says of what several alike take from one line that it is for all of them', function (int $count, string $tubing) {
    $garden = Gardens::tub(['crop' => 'kale', 'vessel' => 'tote-45', 'count' => $count]);
    $route = array_column(BuildSheet::of(Gardens::plan($garden), $garden->tubs[0])->steps, null, 'key')['route'];

    expect($route->parts['tube-4-6'])->toMatch($tubing);
})->with([[1, '/\d\x{202F}m$/u'], [2, '/\d\x{202F}m in all$/u']]);

it('lets plants that eat a quarter more take a quarter more of the salt', function () {
    $fed = Gardens::fed(Gardens::tub(['crop' => 'kale', 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]));
    $uptake = fn (float $eats): float => $fed->with([], 1.0, $eats)->run()->days[0]->uptake;

    expect($uptake(1.25))->toEqualWithDelta(1.25 * $uptake(1.0), 1e-12)
        ->and($uptake(0.75))->toEqualWithDelta(0.75 * $uptake(1.0), 1e-12)
        ->and($uptake(1.0))->toBeGreaterThan(0.0);
});

it('makes the cups of the next tub at home too, though they could be bought', function () {
    $home = ['cup' => 'yoghurt-pot', 'crop' => 'lettuce-leaf', 'system' => 'passive'];
    $price = fn (float $each): array => ['prices' => [['part' => 'yoghurt-pot', 'pack' => 1, 'price' => $each]]];
    $next = fn (array $garden): float => (new CostFigures(Gardens::plan($g = Gardens::tub($home, $garden))))->nextTub($g->tubs[0]);

    expect($next($price(3.0)))->toEqualWithDelta($next([]), 1e-9);
});

it('pours water into each of several tubs alike', function () {
    $month = fn (int $count): float => (float) Gardens::planner()->report(Gardens::tub(['crop' => 'kale', 'count' => $count]), whole: true)
        ->budget->month->water;

    expect($month(3))->toEqualWithDelta(3 * $month(1), 1e-9)->and($month(1))->toBeGreaterThan(0.0);
});

it('counts as used what goes into the tubs, and no spares', function () {
    $report = Gardens::report(Gardens::tub(['crop' => 'basil'], ['spares' => ['net-cup-50' => 7], 'owned' => ['clay-pebbles' => 0.2]]));
    $used = 0.0;
    foreach (array_filter($report->parts, fn ($part) => $part->kind !== 'tool') as $part) {
        $bought = array_sum(array_map(fn ($b) => $b->pack * $b->count, $part->buy));
        $used += $bought > 0.0 ? $part->cost * min(1.0, max(0.0, $part->need - $part->owned) / $bought) : 0.0;
    }
    $cups = array_column($report->parts, null, 'key')['net-cup-50'];

    expect($report->budget->used)->toEqualWithDelta($used, 1e-9)
        ->and($cups->spare)->toBe(7.0)
        ->and($cups->left)->toBeGreaterThanOrEqual(7.0);
});

it('prices the stones of every tub on the line where a pump wants other ones', function () {
    $garden = Gardens::of([
        'tubs' => [[
            'id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'kale', 'count' => 3,
            'stones' => ['kind' => 'disc-60-fine', 'height_mm' => 20],
        ]],
        'air' => [['id' => 'p', 'pump' => 'pump-2w-1', 'check_valve' => true, 'branches' => [['tub' => 'a']]]],
    ]);
    $changed = 0;
    foreach ((new PumpRanking(Gardens::planner(), Gardens::library()))->of($garden, $garden->tubs[0], 10) as $option) {
        $then = Gardens::applied($garden, Gardens::deeds($option->patch));
        $stone = $then->tubs[0]->water->stones->stone->key;
        if ($stone === 'disc-60-fine' || $option->price === null) {
            continue;
        }
        $changed++;
        $each = fn (string $key): float => KelpTub\Core\Cost\UnitPrice::ofOne(Gardens::library()->offers->for($key)) ?? 0.0;
        $pumping = array_sum(array_map($each, KelpTub\Core\Marks\Air\AirParts::pumping(
            Gardens::plan($then)->get(KelpTub\Core\Marks\Air\AirPlans::class)->systems[0]->system->pump,
        )));
        expect($option->price)->toEqualWithDelta($pumping + 3 * $then->tubs[0]->water->stones->inAll() * $each($stone), 1e-9);
    }
    expect($changed)->toBeGreaterThan(0);
});

it('brings no harvest of what has run dry by then', function () {
    $jar = ['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'kale', 'layout' => ['cups' => 1]];
    $dry = Gardens::report(Gardens::tub($jar))->tubs[0];

    expect($dry->season->first_dry_day)->not->toBeNull()
        ->and($dry->crops[0]->harvest_g)->toBe(0.0)
        ->and($dry->season->harvest_g)->toBe(0.0);
});

it('takes free delivery of nobody who would not take the order', function () {
    // Goods from 10 on are brought for nothing, and no order under 20 is taken: at 12 it is none, and others ask 13.
    $suppliers = [new Supplier('Quay stall', 5.0, 10.0, 20.0)];
    $offers = [new Offer('pot', 1, 12.0, 'Quay stall'), new Offer('pot', 1, 13.0, null)];
    $basket = Basket::of([1.0], [$offers], $suppliers);
    $two = Basket::of([2.0], [$offers], $suppliers);

    expect($basket['packs'][0][0][0]->price)->toBe(13.0)
        ->and($two['packs'][0][0][0]->price)->toBe(12.0)
        ->and(array_sum($two['parcels']))->toBe(0.0);
});

it('warms a nursery by its water pump', function () {
    $fed = Gardens::fed(Gardens::tub(
        ['system' => 'nursery', 'crop' => 'basil', 'vessel' => 'tote-30', 'layout' => ['cups' => 4], 'nursery' => [
            'flow_l_h' => 40, 'on_min' => 15, 'off_min' => 45,
        ]],
        ['site' => ['air_temperature_c' => 18]],
    ));
    $plan = $fed->tub;
    $skin = $plan->tub->body->vessel->profile->lateralArea() + $plan->tub->body->lid->outline->area() / 1e6;

    // 3 W for a quarter of the time through 10 W/m²K.
    expect($fed->run()->days[20]->water())->toEqualWithDelta(18 + 3 * 0.25 / (10 * $skin), 0.01);
});
