<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;

/**
 * One hole in the middle of each panel: of those that are drawn on the lid, or that its ribs leave between them.
 *
 * A rib is a keep-out that runs all the way across the lid, or nearly so; panels are what lies between two ribs, or a rib and the edge.
 */
final class PanelsPattern implements Pattern
{
    /** A keep-out that spans this share of the lid is a rib. */
    private const RIB_SHARE = 0.8;

    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        $points = self::middles($space);

        return count($points) === $count && $count > 1 ? [Arrangement::of(PatternKind::Panels, $points)] : [];
    }

    /**
     * The middle of each panel, as near as a hole may go to it; row by row from the back, left to right. One panel is no panels.
     *
     * @return list<Point>
     */
    public static function middles(LayoutSpace $space): array
    {
        $lid = $space->lid;
        if ($lid->panels !== []) {
            return self::drawn($space);
        }
        $across = $along = [];
        foreach ($lid->keepOuts as $keepOut) {
            if ($keepOut->section->round) {
                continue;
            }
            if ($keepOut->section->width >= self::RIB_SHARE * $lid->outline->width) {
                $across[] = [$keepOut->x - $keepOut->section->length / 2, $keepOut->x + $keepOut->section->length / 2];
            } elseif ($keepOut->section->length >= self::RIB_SHARE * $lid->outline->length) {
                $along[] = [$keepOut->y - $keepOut->section->width / 2, $keepOut->y + $keepOut->section->width / 2];
            }
        }
        if ($across === [] && $along === []) {
            return [];
        }
        $points = [];
        $outline = RoundedBox::of($lid->outline);
        foreach (array_reverse(self::between($along, $lid->outline->width / 2)) as $y) {
            foreach (self::between($across, $lid->outline->length / 2) as $x) {
                if ($outline->clearance($x, $y) > 0.0) {
                    $points[] = new Point(...$space->places->nearest($x, $y) ?? [$x, $y]);
                }
            }
        }

        return count($points) > 1 ? $points : [];
    }

    /**
     * In each panel that is drawn, where a hole may go and nearest to its middle; none in a panel that has no such place.
     *
     * @return list<Point>
     */
    private static function drawn(LayoutSpace $space): array
    {
        $points = [];
        foreach ($space->lid->panels as $panel) {
            [$x, $y] = $space->places->nearest($panel->middle->x, $panel->middle->y) ?? [INF, INF];
            if (is_finite($x) && $panel->clearance($x, $y) > 0.0) {
                $points[] = new Point($x, $y);
            }
        }

        return count($points) > 1 ? $points : [];
    }

    /**
     * Middles of what ribs leave of a lid's width.
     *
     * @param  list<array{float, float}>  $ribs
     * @return list<float>
     */
    private static function between(array $ribs, float $half): array
    {
        usort($ribs, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $middles = [];
        $from = -$half;
        foreach ([...$ribs, [$half, $half]] as [$start, $end]) {
            if ($start > $from) {
                $middles[] = ($from + $start) / 2;
            }
            $from = max($from, $end);
        }

        return $middles;
    }
}
