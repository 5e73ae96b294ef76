<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/**
 * Rows in which every second one is shifted by half a pitch: k and k − 1 holes in turn (either first), or k in each.
 * Rows run along the lid or across it.
 */
final class StaggeredPattern implements Pattern
{
    private const SCAN = 16;

    private const REFINEMENTS = 24;

    public function arrange(LayoutSpace $space, int $count, float $pitch): array
    {
        $found = [];
        foreach (self::structures($count) as [$rows, $even]) {
            foreach ([false, true] as $across) {
                $arrangement = self::widest($space, $rows, $even, $across, $pitch);
                if ($arrangement !== null) {
                    $found[] = $arrangement;
                }
            }
        }

        return $found;
    }

    /**
     * The row counts that add up to $count, and whether all rows are alike.
     *
     * @return list<array{list<int>, bool}>
     */
    private static function structures(int $count): array
    {
        $structures = [];
        for ($rows = 2; $rows <= $count; $rows++) {
            for ($k = 2; $k * $rows <= $count + $rows; $k++) {
                foreach ([[$k, $k - 1], [$k - 1, $k]] as [$first, $second]) {
                    if ($first * intdiv($rows + 1, 2) + $second * intdiv($rows, 2) === $count) {
                        $structures[] = [array_map(static fn (int $r): int => $r % 2 === 0 ? $first : $second, range(0, $rows - 1)), false];
                    }
                }
                if ($k * $rows === $count) {
                    $structures[] = [array_fill(0, $rows, $k), true];
                }
            }
        }

        return $structures;
    }

    /** @param list<int> $rows */
    private static function widest(LayoutSpace $space, array $rows, bool $even, bool $across, float $pitch): ?Arrangement
    {
        $deep = $across ? $space->reachX(0.0) : $space->reachY(0.0);
        $wide = $across ? $space->reachY(0.0) : $space->reachX(0.0);
        if ($deep < 0.0 || $wide < 0.0) {
            return null;
        }
        $pitchAt = static function (float $half) use ($space, $rows, $even, $across): float {
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
        $spacing = static fn (float $step, float $half): float => self::spacing(count($rows), max($rows), $step, 2 * $half / (count($rows) - 1));
        $spans = (max($rows) - 1) / 2 + ($even ? 0.25 : 0.0);
        if ($spacing($wide / $spans, $deep) < $pitch) {
            return null;
        }
        $value = static fn (float $half): float => $spacing($pitchAt($half), $half);
        $best = $deep;
        for ($i = 1; $i <= self::SCAN; $i++) {
            $half = $deep * $i / self::SCAN;
            if ($value($half) > $value($best)) {
                $best = $half;
            }
        }
        $step = $deep / self::SCAN;
        for ($i = 0; $i < self::REFINEMENTS; $i++) {
            $step /= 2;
            foreach ([$best - $step, min($deep, $best + $step)] as $half) {
                if ($value($half) > $value($best)) {
                    $best = $half;
                }
            }
        }
        if ($value($best) < $pitch) {
            return null;
        }

        return Arrangement::of(PatternKind::Staggered, self::points($rows, $even, $across, $pitchAt($best), $best));
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
