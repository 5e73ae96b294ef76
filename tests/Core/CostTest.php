<?php

declare(strict_types=1);

use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\PackCover;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Cup\Cup;
use Tests\Core\Gardens;

/**
 * The best cover by trying everything up to a count of each: cost, left over, packs.
 *
 * @return array{float, float, int}
 */
function bruteForce(float $need, array $offers, int $most): array
{
    $best = [INF, INF, PHP_INT_MAX];
    $try = function (int $i, float $missing, float $cost, int $packs) use (&$try, &$best, $offers, $most): void {
        if ($missing <= 1e-9) {
            $best = min($best, [round($cost, 6), round(-$missing, 6), $packs]);

            return;
        }
        for ($n = 0; $i < count($offers) && $n <= $most; $n++) {
            $try($i + 1, $missing - $n * $offers[$i]->pack, $cost + $n * $offers[$i]->price, $packs + $n);
        }
    };
    $try(0, $need, 0.0, 0);

    return $best;
}

/** @return array{float, float, int} cost, left over and packs of what is bought */
function bought(float $need, array $offers): array
{
    $bought = PackCover::of($need, $offers) ?? [];

    return [
        round(array_sum(array_map(fn ($b) => $b[0]->price * $b[1], $bought)), 6),
        round(array_sum(array_map(fn ($b) => $b[0]->pack * $b[1], $bought)) - $need, 6),
        array_sum(array_map(fn ($b) => $b[1], $bought)),
    ];
}

it('covers every need at least cost, then with least left over, then in fewest packs', function (callable $price, float $step) {
    mt_srand(7);
    for ($case = 0; $case < 80; $case++) {
        $offers = [];
        for ($i = 0; $i < 3; $i++) {
            $pack = mt_rand(1, 20);
            $offers[] = new Offer('part', $pack * $step, $price($pack), null);
        }
        $need = mt_rand(1, 400) / 10 * $step;

        expect(bought($need, $offers))->toBe(bruteForce($need, $offers, 40));
    }
})->with([
    'any price' => [fn (int $pack): float => mt_rand(50, 900) / 100, 1.0],
    'prices by the unit' => [fn (int $pack): float => $pack * 0.25, 1.0],
    'free' => [fn (int $pack): float => 0.0, 1.0],
    'packs by the millilitre' => [fn (int $pack): float => mt_rand(50, 900) / 100, 0.037],
    'packs finer than that' => [fn (int $pack): float => mt_rand(50, 900) / 100, 0.00031],
]);

it('covers a large need with free packs in fewest, and with packs of odd sizes at once', function () {
    $free = array_map(fn (int $pack): Offer => new Offer('p', $pack, 0.0, null), [1, 2, 3, 4, 5, 7]);
    $odd = array_map(fn (int $i): Offer => new Offer('p', 7 + $i * 1.377, 0.1 * (7 + $i * 1.377), null), range(1, 60));

    // 28 sevens and a four.
    expect(bought(200, $free))->toBe([0.0, 0.0, 29])->and(bought(12_345, $odd)[1])->toBeLessThan(0.5);
});

it('beats the greedy choice where the greedy choice is wrong', function () {
    // 12 of packs of 10 at 5.00 and 6 at 3.20: two sixes cost 6.40, a ten and a six 8.20.
    $bought = PackCover::of(12, [new Offer('p', 10, 5.0, null), new Offer('p', 6, 3.2, null)]);

    expect($bought)->toHaveCount(1)
        ->and($bought[0][0]->pack)->toBe(6.0)
        ->and($bought[0][1])->toBe(2);
});

it('takes the mix with less left over on equal cost', function () {
    $bought = PackCover::of(2065, [new Offer('t', 2000, 1.8, null), new Offer('t', 5000, 3.6, null)]);

    expect($bought[0][0]->pack)->toBe(2000.0);
});

it('says when nothing is needed and when nobody offers', function () {
    expect(PackCover::of(0, []))->toBe([])
        ->and(PackCover::of(1, []))->toBeNull();
});

it('copes with a large need quickly', function () {
    $bought = PackCover::of(123457, [new Offer('p', 7, 1.01, null), new Offer('p', 50, 7.0, null), new Offer('p', 13, 1.85, null)]);

    expect(array_sum(array_map(fn ($b) => $b[0]->pack * $b[1], $bought)))->toBeGreaterThanOrEqual(123457);
});

function part(stdClass $report, string $key): ?stdClass
{
    foreach ($report->parts as $part) {
        if ($part->key === $key) {
            return $part;
        }
    }

    return null;
}

it('counts parts from the design', function () {
    $report = Gardens::report(
        Gardens::tub(
            [
                'count' => 2,
                'vessel' => 'pail-15',
                'crop' => 'basil',
                'layout' => ['cups' => 2],
                'stones' => ['kind' => 'disc-100', 'count' => 2],
            ],
        ),
    );

    expect(part($report, 'pail-15')->need)->toBe(2.0)
        ->and(part($report, 'net-cup-50')->need)->toBe(4.0)
        ->and(part($report, 'clay-pebbles')->need)->toEqualWithDelta(4 * 0.0761815, 1e-6)
        ->and(part($report, 'plug-stone-wool')->need)->toBe(4.0)
        ->and(part($report, 'disc-100')->need)->toBe(4.0)
        ->and(part($report, 'suction-cup')->need)->toBe(8.0)
        // Two outlets joined and two lines split take one tee each, and so does each tub's second stone.
        ->and(part($report, 'tee')->need)->toBe(4.0)
        ->and(part($report, 'check-valve')->need)->toBe(1.0)
        ->and(part($report, 'tube-4-6')->need)->toEqualWithDelta($report->air[0]->tubing_mm, 1e-9)
        ->and(part($report, 'saw-51')->need)->toBe(1.0)
        ->and(part($report, 'seed-basil')->need)->toBe(1.0)
        ->and(part($report, 'paint-dark'))->toBeNull();
});

it('takes off what is owned, and says so', function () {
    $bought = Gardens::report(Gardens::tub(['crop' => 'basil']));
    $owned = Gardens::report(Gardens::tub(['crop' => 'basil'], ['owned' => ['drill' => 1, 'net-cup-50' => 2], 'saws_mm' => [51]]));

    expect(part($owned, 'drill')->cost)->toBe(0.0)
        ->and(part($owned, 'drill')->owned)->toBe(1.0)
        ->and(part($owned, 'saw-51')->buy)->toBe([])
        ->and($bought->budget->outlay - $owned->budget->outlay)->toEqualWithDelta(
            39 + part($bought, 'saw-51')->cost + part($bought, 'net-cup-50')->cost - part($owned, 'net-cup-50')->cost,
            1e-9,
        );
});

it('takes cups made at home for nothing', function () {
    $part = part(Gardens::report(Gardens::tub(['cup' => 'yoghurt-pot'])), 'yoghurt-pot');

    expect($part->cost)->toBe(0.0)
        ->and($part->owned)->toBe($part->need)
        ->and($part->priced)->toBeTrue();
});

it('adds up outlay, use, tools and shares', function () {
    $report = Gardens::report(Gardens::tub(['count' => 2, 'crop' => 'basil'], ['money' => ['cap' => 50]]));
    $costs = array_map(fn ($p) => $p->cost, $report->parts);
    $tools = array_map(fn ($p) => $p->kind === 'tool' ? $p->cost : 0.0, $report->parts);

    expect($report->budget->outlay)->toEqualWithDelta(array_sum($costs), 1e-9)
        ->and($report->budget->tools)->toEqualWithDelta(array_sum($tools), 1e-9)
        ->and($report->budget->per_tub)->toEqualWithDelta($report->budget->outlay / 2, 1e-9)
        ->and($report->budget->per_plant)->toEqualWithDelta($report->budget->outlay / (2 * $report->tubs[0]->layout->count), 1e-9)
        ->and($report->budget->used)->toBeLessThan($report->budget->outlay)
        ->and($report->budget->over_cap)->toEqualWithDelta($report->budget->outlay - 50, 1e-9);
    foreach ($report->parts as $p) {
        $bought = array_sum(array_map(fn ($b) => $b->pack * $b->count, $p->buy));
        expect($p->owned + $bought)->toBeGreaterThanOrEqual($p->need - 1e-9)
            ->and($p->left)->toEqualWithDelta($p->owned + $bought - $p->need, 1e-9);
    }
});

it('finds a budget over its cap and a part without a price', function () {
    $own = ['stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]]];

    expect(Gardens::findings(Gardens::tub([], ['money' => ['cap' => 20]])))->toContain('mend cost.over-cap')
        ->and(Gardens::findings(Gardens::tub(['vessel' => $own])))->toContain('mind cost.unpriced')
        ->and(
            Gardens::findings(Gardens::tub(['vessel' => $own], ['prices' => [['part' => 'vessel:tub', 'pack' => 1, 'price' => 4]]])),
        )->not->toContain('mind cost.unpriced')
        ->and(Gardens::findings(Gardens::tub([])))->not->toContain('mind cost.unpriced');
});

it('knows a price for everything the Library offers', function () {
    $library = Gardens::library();
    $offered = $library->offers->parts();
    $keys = [
        ...$library->vessels->keys(),
        ...array_keys(array_filter(iterator_to_array($library->cups), fn (Cup $c) => ! $c->homeMade)),
        ...$library->stones->keys(),
        ...$library->pumps->keys(),
        ...$library->tubes->keys(),
        ...array_keys($library->partNames),
        ...array_map(fn (Crop $c) => "seed-$c->key", array_filter(
            iterator_to_array($library->crops),
            fn (Crop $c) => $c->group !== CropGroup::Cutting,
        )),
    ];

    expect(array_diff($keys, $offered))->toBe([]);
});
