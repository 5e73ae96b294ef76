<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Numbers\Crossing;

/**
 * Where the stones of a tub lie on its floor, under the plants: the cluster centres of the cups, drawn in to the floor.
 *
 * Deterministic: the first centre is the cup nearest to the middle of all cups, each further one the cup farthest from the centres so far;
 * then cups join their nearest centre and centres move to the middle of their cups until nothing changes. Source: handbook, rules
 * section 7.
 */
final class StonePlacement
{
    /** Farthest a cup may be from a stone, mm. */
    public const REACH_MM = 200.0;

    /** The middle of a stone stays this far from the wall at least, mm; a longer stone by half its length. */
    private const WALL_MM = 25.0;

    private const ROUNDS = 50;

    /** A stone is drawn in to the floor to within so much of its way from the middle. */
    private const TOLERANCE = 1.0e-12;

    /**
     * @param  list<Point>  $cups
     * @return list<Point>
     */
    public static function of(array $cups, int $stones, RoundedBox $floor, float $stoneLength = 0.0): array
    {
        if ($cups === [] || $stones < 1) {
            return [];
        }
        $centres = self::spreadOut($cups, $stones);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $moved = self::middles($cups, $centres);
            if ($moved == $centres) {
                break;
            }
            $centres = $moved;
        }

        return array_map(static fn (Point $p): Point => self::onFloor($p, $floor->inset(max(self::WALL_MM, $stoneLength / 2))), $centres);
    }

    /**
     * No fewer stones than this have every cup in reach: of cups more than twice the reach apart no two share one.
     *
     * @param  list<Point>  $cups
     */
    public static function leastFor(array $cups): int
    {
        $apart = [];
        foreach ($cups as $cup) {
            foreach ($apart as $other) {
                if ($cup->distanceTo($other) <= 2 * self::REACH_MM) {
                    continue 2;
                }
            }
            $apart[] = $cup;
        }

        return count($apart);
    }

    /**
     * The farthest that any cup is from its nearest stone, mm.
     *
     * @param  list<Point>  $cups
     * @param  list<Point>  $stones
     */
    public static function farthestCup(array $cups, array $stones): float
    {
        $farthest = 0.0;
        foreach ($cups as $cup) {
            $farthest = max($farthest, $cup->distanceTo($stones[self::nearest($cup, $stones)]));
        }

        return $farthest;
    }

    /**
     * @param  list<Point>  $cups
     * @return non-empty-list<Point>
     */
    private static function spreadOut(array $cups, int $stones): array
    {
        $middle = self::middle($cups);
        $centres = [$cups[self::nearest($middle, $cups)]];
        while (count($centres) < $stones) {
            $farthest = null;
            $distance = -1.0;
            foreach ($cups as $cup) {
                $d = $cup->distanceTo($centres[self::nearest($cup, $centres)]);
                if ($d > $distance + 1.0e-9) {
                    [$farthest, $distance] = [$cup, $d];
                }
            }
            $centres[] = $farthest ?? $middle;
        }

        return $centres;
    }

    /**
     * @param  list<Point>  $cups
     * @param  non-empty-list<Point>  $centres
     * @return non-empty-list<Point>
     */
    private static function middles(array $cups, array $centres): array
    {
        $joined = array_fill(0, count($centres), []);
        foreach ($cups as $cup) {
            $joined[self::nearest($cup, $centres)][] = $cup;
        }

        return array_map(
            static fn (array $group, Point $centre): Point => $group === [] ? $centre : self::middle($group),
            $joined,
            $centres,
        );
    }

    /** @param  non-empty-list<Point>|list<Point>  $points */
    private static function middle(array $points): Point
    {
        $x = $y = 0.0;
        foreach ($points as $p) {
            $x += $p->x;
            $y += $p->y;
        }

        return new Point($x / count($points), $y / count($points));
    }

    /** @param  list<Point>  $points */
    private static function nearest(Point $to, array $points): int
    {
        $nearest = 0;
        foreach ($points as $i => $p) {
            if ($p->distanceTo($to) < $points[$nearest]->distanceTo($to) - 1.0e-9) {
                $nearest = $i;
            }
        }

        return $nearest;
    }

    private static function onFloor(Point $p, RoundedBox $inside): Point
    {
        if ($inside->halfX <= 0.0 || $inside->halfY <= 0.0) {
            return new Point(0.0, 0.0);
        }
        $share = Crossing::of(
            static fn (float $share): float => $inside->clearance($p->x * $share, $p->y * $share),
            0.0,
            1.0,
            self::TOLERANCE,
        );

        return new Point($p->x * $share, $p->y * $share);
    }
}
