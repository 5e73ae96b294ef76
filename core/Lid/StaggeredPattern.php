<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Numbers\Crossing;

/**
 * Rows in which every second one is shifted by half a step: k and k − 1 holes in turn (either first), or k in each.
 * Rows run along the lid or across it.
 */
final class StaggeredPattern implements Pattern
{
    private const SCAN = 6;

    /** To so much of the depth rows are set at even distances. */
    private const TOLERANCE = 1.0e-12;

    private const LOOKS = 5;

    /** @param  bool  $widest whether the widest depth of each structure is looked for, or any that keeps the least distance will do */
    public function __construct(private readonly bool $widest = true)
    {
    }

    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        foreach ([false, true] as $across) {
            $deep = $across ? $space->reachX(0.0) : $space->reachY(0.0);
            $wide = $across ? $space->reachY(0.0) : $space->reachX(0.0);
            if ($deep < 0.0 || $wide < 0.0) {
                continue;
            }
            foreach (self::structures($count, $deep, $wide, $leastDistance) as [$rows, $even]) {
                $arrangement = $this->widest($space, $rows, $even, $across, $deep, $leastDistance);
                if ($arrangement !== null) {
                    yield $arrangement;
                }
            }
        }
    }

    /**
     * The row counts that add up to $count and might reach the least distance, and whether all rows are alike.
     *
     * @return list<array{list<int>, bool}>
     */
    private static function structures(int $count, float $deep, float $wide, float $leastDistance): array
    {
        $structures = [];
        for ($rows = 2; $rows <= $count; $rows++) {
            $rise = 2 * $deep / ($rows - 1);
            if ($rows > 2 && 2 * $rise < $leastDistance) {
                break;
            }
            [$odd, $others] = [intdiv($rows + 1, 2), intdiv($rows, 2)];
            // The number of holes in a long row is settled by the count, for each of the three ways.
            foreach ([
                [$count + $others, 0, -1, false],
                [$count + $odd, -1, 0, false],
                [$count, 0, 0, true],
            ] as [$sum, $first, $second, $even]) {
                $k = intdiv($sum, $rows);
                if ($sum % $rows !== 0 || $k < 2 || self::spacing(
                    $rows,
                    $k,
                    $wide / (($k - 1) / 2 + ($even ? 0.25 : 0.0)),
                    $rise,
                ) < $leastDistance) {
                    continue;
                }
                $counts = [];
                for ($r = 0; $r < $rows; $r++) {
                    $counts[] = $k + ($r % 2 === 0 ? $first : $second);
                }
                $structures[] = [$counts, $even];
            }
        }

        return $structures;
    }

    /** @param  list<int>  $rows */
    private function widest(LayoutSpace $space, array $rows, bool $even, bool $across, float $deep, float $leastDistance): ?Arrangement
    {
        $stepAt = static function (float $half) use ($space, $rows, $even, $across): float {
            $step = INF;
            $last = count($rows) - 1;
            foreach ($rows as $i => $holes) {
                $y = $half * (1 - 2 * $i / $last);
                $reach = $across ? $space->reachY($y) : $space->reachX($y);
                $spans = ($holes - 1) / 2 + ($even ? 0.25 : 0.0);
                $step = $spans > 0.0 ? min($step, $reach / $spans) : ($reach < 0.0 ? -INF : $step);
            }

            return $step;
        };
        $spacing = static fn (float $step, float $half): float => self::spacing(
            count($rows),
            max(0, ...$rows),
            $step,
            2 * $half / (count($rows) - 1),
        );
        if (! self::mayReach($leastDistance, $deep, count($rows), $stepAt)) {
            return null;
        }
        $value = static fn (float $half): float => $spacing($stepAt($half), $half);
        [$best, $widest] = [$deep, $value($deep)];
        for ($i = 0; $i < self::SCAN && ($this->widest || $widest < $leastDistance); $i++) {
            $half = $i === 0 ? self::evenDepth($deep, count($rows), $stepAt) : $deep * $i / self::SCAN;
            $reached = $value($half);
            if ($reached > $widest) {
                [$best, $widest] = [$half, $reached];
            }
        }
        if ($widest < $leastDistance) {
            return null;
        }

        return Arrangement::of(PatternKind::Staggered, self::points($rows, $even, $across, $stepAt($best), $best));
    }

    /**
     * Whether the least distance may be reached at all: rows must lie so deep for it, and at that depth holes within a row may no longer
     * be far enough apart. Each look makes the bounds tighter; a few settle nearly every case without a search.
     *
     * @param  callable(float): float  $stepAt
     */
    private static function mayReach(float $leastDistance, float $deep, int $rows, callable $stepAt): bool
    {
        $half = 0.0;
        for ($look = 0; $look < self::LOOKS; $look++) {
            $step = $stepAt($half);
            if ($step < $leastDistance) {
                return false;
            }
            $rise = max($rows > 2 ? $leastDistance / 2 : 0.0, sqrt(max(0.0, $leastDistance ** 2 - $step ** 2 / 4)));
            $half = ($rows - 1) / 2 * $rise;
            if ($half > $deep) {
                return false;
            }
        }

        return true;
    }

    /**
     * The half depth at which rows are as far apart as holes within them, in even triangles; as deep as it goes where they never are.
     * Going deeper, rows part and holes within them close up, so that is where the least distance is widest unless an end is.
     *
     * @param  callable(float): float  $stepAt
     */
    private static function evenDepth(float $deep, int $rows, callable $stepAt): float
    {
        return Crossing::of(
            static fn (float $half): float => $stepAt($half) * sqrt(3) / 2 - 2 * $half / ($rows - 1),
            0.0,
            $deep,
            self::TOLERANCE * $deep,
        );
    }

    /** Least distance in a pattern of rows a step apart inside and a rise apart between. */
    private static function spacing(int $rows, int $longest, float $step, float $rise): float
    {
        if (! is_finite($step)) {
            return -INF;
        }
        $least = hypot($step / 2, $rise);
        if ($longest > 1) {
            $least = min($least, $step);
        }

        return $rows > 2 ? min($least, 2 * $rise) : $least;
    }

    /**
     * @param  list<int>  $rows
     * @return list<Point>
     */
    private static function points(array $rows, bool $even, bool $across, float $step, float $half): array
    {
        $points = [];
        foreach ($rows as $i => $holes) {
            $y = $half * (1 - 2 * $i / (count($rows) - 1));
            $shift = $even ? ($i % 2 === 0 ? -0.25 : 0.25) * $step : 0.0;
            for ($c = 0; $c < $holes; $c++) {
                $x = ($c - ($holes - 1) / 2) * $step + $shift;
                $points[] = $across ? new Point($y, $x) : new Point($x, $y);
            }
        }

        return $points;
    }
}
