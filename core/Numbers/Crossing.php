<?php

declare(strict_types=1);

namespace KelpTub\Core\Numbers;

/**
 * Where a continuous function that falls comes down through zero: found by interpolation, drawn towards the middle and kept within what
 * halving allows, so that it takes at most two looks more than halving and mostly a few only.
 *
 * Source: I. F. D. Oliveira and R. H. C. Takahashi, "An enhancement of the bisection method average performance preserving minmax
 * optimality", ACM Transactions on Mathematical Software 47 (2020).
 */
final class Crossing
{
    /** How strongly a look is drawn towards the middle, over the width of the bracket at the start. */
    private const TRUNCATION = 0.2;

    /** Looks more than halving would take that are allowed. */
    private const SLACK = 1;

    /**
     * The place to within $tolerance, or as near as numbers lie; $low where the function is not above zero there, $high where it is
     * above zero still.
     *
     * @param  callable(float): float  $falling
     */
    public static function of(callable $falling, float $low, float $high, float $tolerance): float
    {
        [$over, $under] = [$falling($low), $falling($high)];
        if ($over <= 0.0 || $under >= 0.0) {
            return $over <= 0.0 ? $low : $high;
        }
        $pull = self::TRUNCATION / ($high - $low);
        $reach = $tolerance / 2 * 2 ** (max(0, (int) ceil(log(($high - $low) / $tolerance, 2))) + self::SLACK);
        for (; $high - $low > $tolerance; $reach /= 2) {
            $middle = ($low + $high) / 2;
            if ($middle <= $low || $middle >= $high) {
                break;
            }
            $straight = is_infinite($under) || is_infinite($over) ? $middle : $low + ($high - $low) * $over / ($over - $under);
            $towards = $middle <=> $straight;
            $drawn = $pull * ($high - $low) ** 2;
            $at = $drawn <= abs($middle - $straight) ? $straight + $towards * $drawn : $middle;
            $allowed = max(0.0, $reach - ($high - $low) / 2);
            $at = abs($at - $middle) <= $allowed ? $at : $middle - $towards * $allowed;
            $value = $falling($at);
            if ($value === 0.0) {
                return $at;
            }
            if ($value > 0.0) {
                [$low, $over] = [$at, $value];
            } else {
                [$high, $under] = [$at, $value];
            }
        }

        return $low;
    }
}
