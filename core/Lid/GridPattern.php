<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Numbers\Crossing;

/** Rows and columns at even steps, as wide as the space lets their corner holes go. */
final class GridPattern implements Pattern
{
    private const TOLERANCE_MM = 1.0e-10;

    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        for ($rows = 1; $rows <= $count; $rows++) {
            if ($count % $rows !== 0 || $count === 1) {
                continue;
            }
            $columns = intdiv($count, $rows);
            $halves = self::corner($space, $columns - 1, $rows - 1, $leastDistance);
            if ($halves !== null) {
                yield Arrangement::of(PatternKind::Grid, self::points($columns, $rows, ...$halves));
            }
        }
    }

    /**
     * Half extents (x, y) of the pattern whose corners lie in the space and whose steps across and along are widest.
     *
     * Going out along the space's edge the step along x grows and the step along y shrinks: the best corner is where they meet, or an end.
     *
     * @return array{float, float}|null null when no step is as long as the least distance
     */
    public static function corner(LayoutSpace $space, int $stepsX, int $stepsY, float $leastDistance): ?array
    {
        $wide = $space->reachX(0.0);
        $deep = $space->reachY(0.0);
        $reaches = static fn (float $half, int $steps): bool => $steps === 0 ? $half >= 0.0 : 2 * $half / $steps >= $leastDistance;
        if (! $reaches($wide, $stepsX) || ! $reaches($deep, $stepsY)) {
            return null;
        }
        if ($stepsX === 0 || $stepsY === 0) {
            return [$stepsX === 0 ? 0.0 : $wide, $stepsY === 0 ? 0.0 : $deep];
        }
        $half = Crossing::of(static fn (float $x): float => $space->reachY($x) / $stepsY - $x / $stepsX, 0.0, $wide, self::TOLERANCE_MM);
        $halves = [$half, $space->reachY($half)];

        return $reaches($halves[0], $stepsX) && $reaches($halves[1], $stepsY) ? $halves : null;
    }

    /** @return list<Point> row by row from the back, left to right */
    private static function points(int $columns, int $rows, float $halfX, float $halfY): array
    {
        $points = [];
        for ($r = 0; $r < $rows; $r++) {
            for ($c = 0; $c < $columns; $c++) {
                $points[] = new Point(
                    $columns === 1 ? 0.0 : $halfX * (2 * $c / ($columns - 1) - 1),
                    $rows === 1 ? 0.0 : $halfY * (1 - 2 * $r / ($rows - 1)),
                );
            }
        }

        return $points;
    }
}
