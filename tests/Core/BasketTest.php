<?php

declare(strict_types=1);

use KelpTub\Core\Cost\Basket;
use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\Supplier;

/** What a parcel costs to bring, told again from the terms. */
function brought(array $terms, float $goods): float
{
    if ($goods < $terms['min']) {
        return INF;
    }

    return $terms['free'] !== null && $goods >= $terms['free'] ? 0.0 : $terms['delivery'];
}

/** Every count of every pack up to so many, all parts together: the least of prices and parcels, then of parcels. */
function cheapestOf(array $missing, array $offers, array $terms, int $most): array
{
    $flat = [];
    foreach ($offers as $i => $ofPart) {
        foreach ($ofPart as $offer) {
            $flat[] = [$i, $offer];
        }
    }
    $best = [INF, PHP_INT_MAX];
    $counts = array_fill(0, count($flat), 0);
    while (true) {
        $got = array_fill(0, count($missing), 0.0);
        $goods = [];
        $cost = 0.0;
        foreach ($flat as $k => [$i, $offer]) {
            $got[$i] += $counts[$k] * $offer->pack;
            $cost += $counts[$k] * $offer->price;
            if ($counts[$k] > 0 && $offer->supplier !== null) {
                $goods[$offer->supplier] = ($goods[$offer->supplier] ?? 0) + $counts[$k] * $offer->price;
            }
        }
        if (array_filter($missing, fn ($need, $i) => $got[$i] < $need - 1e-9, ARRAY_FILTER_USE_BOTH) === []) {
            foreach ($goods as $name => $sum) {
                $cost += brought($terms[$name], round($sum, 6));
            }
            $best = min($best, [round($cost, 6), count($goods)]);
        }
        for ($k = 0; $k < count($flat) && ++$counts[$k] > $most; $k++) {
            $counts[$k] = 0;
        }
        if ($k === count($flat)) {
            return $best;
        }
    }
}

function costOf(array $basket, array $terms): array
{
    $cost = array_sum($basket['parcels']);
    foreach ($basket['packs'] as $packs) {
        $cost += array_sum(array_map(fn ($p) => $p[0]->price * $p[1], $packs ?? []));
    }

    return [round($cost, 6), count($basket['parcels'])];
}

it('buys where goods and parcels together cost least, as trying everything does', function (int $seed) {
    mt_srand($seed);
    for ($case = 0; $case < 12; $case++) {
        $terms = $suppliers = [];
        foreach (['north', 'quay', 'mill'] as $name) {
            $terms[$name] = [
                'delivery' => mt_rand(0, 12) / 2,
                'free' => mt_rand(0, 1) ? mt_rand(4, 20) : null,
                'min' => mt_rand(0, 3) === 0 ? mt_rand(1, 6) : 0,
            ];
            $suppliers[] = new Supplier($name, $terms[$name]['delivery'], $terms[$name]['free'], $terms[$name]['min']);
        }
        $offers = $missing = [];
        for ($i = 0; $i < 3; $i++) {
            $missing[] = (float) mt_rand(1, 5);
            for ($k = 0; $k < 2; $k++) {
                $who = [null, 'north', 'quay', 'mill'][mt_rand($k === 0 ? 1 : 0, 3)];
                $offers[$i][] = new Offer("p$i", mt_rand(1, 4), mt_rand(4, 30) / 4, $who);
            }
        }
        $basket = Basket::of($missing, $offers, $suppliers);
        [$cost, $parcels] = cheapestOf($missing, $offers, $terms, 5);
        $most = max([0, ...array_map(fn ($p) => $p[1], array_merge(...$basket['packs']))]);
        // Trying everything ends at five of each pack; a basket that takes more of one may be cheaper still.
        if ($most <= 5) {
            expect(costOf($basket, $terms))->toBe([$cost, $parcels]);
        } else {
            expect(costOf($basket, $terms)[0])->toBeLessThanOrEqual($cost);
        }
        foreach ($basket['packs'] as $i => $packs) {
            expect(array_sum(array_map(fn ($p) => $p[0]->pack * $p[1], $packs)))->toBeGreaterThanOrEqual($missing[$i]);
        }
    }
})->with([3, 17, 29, 71]);

it('spares a parcel where one dearer thing does', function () {
    // 4.00 from the quay and a parcel of 5.00, or 6.00 from the mill, where the rest comes from anyway.
    $offers = [[new Offer('a', 1, 20.0, 'mill')], [new Offer('b', 1, 4.0, 'quay'), new Offer('b', 1, 6.0, 'mill')]];
    $terms = [new Supplier('mill', 3.0), new Supplier('quay', 5.0)];
    $basket = Basket::of([1.0, 1.0], $offers, $terms);

    expect($basket['parcels'])->toBe(['mill' => 3.0])->and($basket['packs'][1][0][0]->supplier)->toBe('mill');
});

it('buys a little more where that brings the parcel for nothing, and not a cent too late', function (float $price, int $count) {
    // Two cost 18; from 20 on nothing is paid for the parcel of 4.
    $basket = Basket::of([2.0], [[new Offer('a', 1, $price, 'mill')]], [new Supplier('mill', 4.0, 20.0)]);

    expect($basket['packs'][0][0][1])->toBe($count);
})->with([
    'a third at 9 costs more than the parcel' => [9.0, 2],
    'two at 10 are enough' => [10.0, 2],
    'seven at 3: no, two at 3 and 4' => [3.0, 2],
]);

it('makes an order as large as it has to be', function () {
    $basket = Basket::of([1.0], [[new Offer('a', 1, 4.0, 'mill')]], [new Supplier('mill', 0.0, null, 11.0)]);

    expect($basket['packs'][0][0][1])->toBe(3)->and($basket['parcels'])->toBe(['mill' => 0.0]);
});

it('names what nobody offers, and buys the rest', function () {
    $basket = Basket::of([1.0, 2.0, 0.0], [[], [new Offer('b', 1, 2.0, 'mill')], []], [new Supplier('mill', 3.0)]);

    expect($basket['packs'][0])->toBeNull()->and($basket['packs'][1][0][1])->toBe(2)->and($basket['packs'][2])->toBe([]);
});

it('takes fewer parcels where that costs the same', function () {
    $offers = [[new Offer('a', 1, 2.0, 'mill')], [new Offer('b', 1, 2.0, 'quay'), new Offer('b', 1, 2.0, 'mill')]];

    expect(array_keys(Basket::of([1.0, 1.0], $offers, [])['parcels']))->toBe(['mill']);
});

it('weighs sixty offers of four suppliers with terms in a few hundredths', function () {
    mt_srand(5);
    $offers = [];
    foreach (range(0, 19) as $i) {
        foreach (['a', 'b', 'c'] as $k => $name) {
            $offers[$i][] = new Offer("p$i", mt_rand(1, 10), mt_rand(100, 900) / 100, ['mill', 'quay', 'north', 'loft'][($i + $k) % 4]);
        }
    }
    $terms = array_map(fn ($n) => new Supplier($n, 4.9, 50.0), ['mill', 'quay', 'north', 'loft']);
    $basket = Basket::of(array_fill(0, 20, 7.0), $offers, $terms);

    expect(array_filter($basket['packs']))->toHaveCount(20);
});
