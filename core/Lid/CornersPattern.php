<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/** The four corners of a rectangular lid, then even steps along its sides; five is the corners and the middle. */
final class CornersPattern implements Pattern
{
    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        if ($space->lid->outline->round || $count < 4) {
            return;
        }
        if ($count === 5) {
            $halves = GridPattern::corner($space, 1, 1, $leastDistance);
            if ($halves !== null && hypot(...$halves) >= $leastDistance) {
                yield Arrangement::of(PatternKind::Corners, [...self::around(1, 1, ...$halves), new Point(0.0, 0.0)]);
            }

            return;
        }
        for ($stepsX = 1; 2 * $stepsX + 2 <= $count; $stepsX++) {
            $stepsY = intdiv($count, 2) - $stepsX;
            if ($count % 2 !== 0 || $stepsY < 1) {
                continue;
            }
            $halves = GridPattern::corner($space, $stepsX, $stepsY, $leastDistance);
            if ($halves !== null) {
                yield Arrangement::of(PatternKind::Corners, self::around($stepsX, $stepsY, ...$halves));
            }
        }
    }

    /** @return list<Point> clockwise from the back left corner */
    private static function around(int $stepsX, int $stepsY, float $halfX, float $halfY): array
    {
        $points = [];
        for ($i = 0; $i < $stepsX; $i++) {
            $points[] = new Point($halfX * (2 * $i / $stepsX - 1), $halfY);
        }
        for ($i = 0; $i < $stepsY; $i++) {
            $points[] = new Point($halfX, $halfY * (1 - 2 * $i / $stepsY));
        }
        for ($i = 0; $i < $stepsX; $i++) {
            $points[] = new Point($halfX * (1 - 2 * $i / $stepsX), -$halfY);
        }
        for ($i = 0; $i < $stepsY; $i++) {
            $points[] = new Point(-$halfX, $halfY * (2 * $i / $stepsY - 1));
        }

        return $points;
    }
}
