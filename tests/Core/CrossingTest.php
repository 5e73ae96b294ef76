<?php

declare(strict_types=1);

use KelpTub\Core\Numbers\Crossing;

it('finds where a falling function crosses zero, whatever its shape', function (Closure $falling, float $low, float $high, float $at) {
    $looks = 0;
    $found = Crossing::of(function (float $x) use ($falling, &$looks): float {
        $looks++;

        return $falling($x);
    }, $low, $high, 1e-9);

    expect($found)->toEqualWithDelta($at, 1e-8)
        // The two ends, and at most two looks more than halving takes.
        ->and($looks)->toBeLessThanOrEqual(2 + 2 + (int) ceil(log(($high - $low) / 1e-9, 2)));
})->with([
    'straight' => [fn ($x) => 3 - $x, 0, 10, 3.0],
    'a root' => [fn ($x) => 2 - $x ** 2, 0, 2, M_SQRT2],
    'steep at one end' => [fn ($x) => 1e-6 - $x ** 9, 0, 1, 1e-6 ** (1 / 9)],
    'flat, then steep' => [fn ($x) => $x < 5 ? 1e-9 : 5 + 1e-9 - $x, 0, 1000, 5 + 1e-9],
    'a step' => [fn ($x) => $x < 7.25 ? 1.0 : -1.0, 0, 8, 7.25],
    'without end on one side' => [fn ($x) => $x < 4 ? 1.0 : -INF, 0, 8, 4.0],
    'met at once' => [fn ($x) => 4 - $x, 0, 8, 4.0],
]);

it('gives the end that is nearest where zero is not crossed', function () {
    expect(Crossing::of(fn ($x) => -1 - $x, 0, 5, 1e-9))->toBe(0.0)
        ->and(Crossing::of(fn ($x) => 9 - $x, 0, 5, 1e-9))->toBe(5.0);
});

it('looks a dozen times where halving would look forty', function () {
    $looks = 0;
    Crossing::of(function (float $x) use (&$looks): float {
        $looks++;

        return 40 - $x - 0.3 * $x ** 2;
    }, 0, 100, 1e-9);

    expect($looks)->toBeLessThan(14);
});

it('ends where numbers lie no closer', function () {
    expect(Crossing::of(fn ($x) => 1 / 3 - $x, 0, 1, 1e-30))->toEqualWithDelta(1 / 3, 1e-15);
});
