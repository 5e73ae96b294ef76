<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Numbers\Crossing;

/**
 * Valve settings at which lines on one pump take air in given proportions: the one that has it hardest is opened fully, the others are
 * throttled to it.
 *
 * With all at `λ·w` the pump's pressure is known; a line takes `λ·w` at that pressure with `R_valve = (P − p(λ·w))/(λ·w)²`, so that
 * `v = 1/√(1 + 2·R_valve)`; λ is as large as leaves no line short. Source: handbook, rules section 7 (propose valve settings).
 */
final class Valves
{
    /** A valve is not set finer than this. */
    public const LEAST = 0.01;

    private const TOLERANCE = 1.0e-13;

    /** Less air than this to each part is none. */
    private const NONE = 1.0e-4;

    /**
     * @param  list<Line>  $lines
     * @param  list<int>  $counts  how many there are of each
     * @param  list<float>  $weights  air into one of each, in proportion; above 0
     * @return list<float>|null 0.01 to 1 for each line; null where no air comes through all of them at once
     */
    public static function sharing(Pump $pump, array $lines, array $counts, array $weights, float $trunkResistance): ?array
    {
        $all = array_sum(array_map(static fn (int $n, float $w): float => $n * $w, $counts, $weights));
        $atHead = static fn (float $share): float => $pump->pressureAt($share * $all) - $trunkResistance * $share * $all;
        $short = static function (float $share) use ($atHead, $lines, $weights): float {
            $wanted = array_map(static fn (Line $line, float $w): float => $line->pressureFor($share * $w), $lines, $weights);

            return $atHead($share) - max([0.0, ...$wanted]);
        };
        $share = Crossing::of($short, 0.0, $pump->freeFlow() / $all, self::TOLERANCE);
        if ($share <= self::NONE) {
            return null;
        }
        $head = $atHead($share);

        return array_map(static function (Line $line, float $weight) use ($share, $head): float {
            $resistance = max(0.0, $head - $line->pressureFor($share * $weight)) / ($share * $weight) ** 2;

            return max(self::LEAST, 1 / sqrt(1 + 2 * $resistance));
        }, $lines, $weights);
    }
}
