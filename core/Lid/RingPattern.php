<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Numbers\Crossing;

/** One or two rings about the middle, with or without a cup in the centre. The outer ring is as wide as the space allows. */
final class RingPattern implements Pattern
{
    private const TOLERANCE_MM = 1.0e-10;

    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        $radius = $space->reachRound();
        if ($count < 2 || $radius <= 0.0) {
            return;
        }
        if (self::chord($radius, $count) >= $leastDistance) {
            yield self::rings([[$count, $radius, 0.0]], false);
        }
        if ($count > 3 && min($radius, self::chord($radius, $count - 1)) >= $leastDistance) {
            yield self::rings([[$count - 1, $radius, 0.0]], true);
        }
        foreach ([false, true] as $centre) {
            $ringed = $count - ($centre ? 1 : 0);
            for ($outer = intdiv($ringed + 1, 2); $outer <= $ringed - 2; $outer++) {
                if (self::chord($radius, $outer) < $leastDistance) {
                    break;
                }
                $double = self::double($radius, $outer, $ringed - $outer, $centre, $leastDistance);
                if ($double !== null) {
                    yield $double;
                }
            }
        }
    }

    /** Two rings, the inner one where it is as far from the outer as its own holes are from each other. */
    private static function double(float $radius, int $outer, int $inner, bool $centre, float $leastDistance): ?Arrangement
    {
        $turn = M_PI / self::leastCommonMultiple($outer, $inner);
        $within = static fn (float $r): float => min(self::chord($r, $inner), $centre ? $r : INF);
        $between = static fn (float $r): float => sqrt($radius ** 2 + $r ** 2 - 2 * $radius * $r * cos($turn));
        // The least inner ring that keeps the least distance in itself; nearer to the outer one it only gets worse.
        $least = max($leastDistance / (2 * sin(M_PI / max(2, $inner))), $centre ? $leastDistance : 0.0);
        if ($inner > 1 && ($least > $radius || $between($least) < $leastDistance)) {
            return null;
        }
        $at = Crossing::of(static fn (float $r): float => $between($r) - $within($r), 0.0, $radius, self::TOLERANCE_MM);
        if ($within($at) < $leastDistance) {
            return null;
        }

        return self::rings([[$outer, $radius, 0.0], [$inner, $at, $turn]], $centre);
    }

    /** @param  list<array{int, float, float}>  $rings count, radius and turn of each */
    private static function rings(array $rings, bool $centre): Arrangement
    {
        $points = $centre ? [new Point(0.0, 0.0)] : [];
        foreach ($rings as [$count, $radius, $turn]) {
            for ($i = 0; $i < $count; $i++) {
                $angle = M_PI / 2 - 2 * M_PI * $i / $count + $turn;
                $points[] = new Point($radius * cos($angle), $radius * sin($angle));
            }
        }

        return Arrangement::of(PatternKind::Ring, $points);
    }

    private static function chord(float $radius, int $count): float
    {
        return $count < 2 ? INF : 2 * $radius * sin(M_PI / $count);
    }

    private static function leastCommonMultiple(int $a, int $b): int
    {
        [$x, $y] = [$a, $b];
        while ($y !== 0) {
            [$x, $y] = [$y, $x % $y];
        }

        return intdiv($a * $b, $x);
    }
}
