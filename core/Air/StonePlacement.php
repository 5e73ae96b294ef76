<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Geometry\EnclosingCircle;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;

/**
 * Where the stones of a tub lie on its floor: where the cup that is farthest from a stone is nearest, then where all are nearest together;
 * clear of the wall and of each other, symmetric where the cups are.
 *
 * Deterministic: from several even arrangements each cup joins its nearest stone (or all that are as near, so that what is even stays so)
 * and each stone moves into the middle of the smallest circle round its cups, until nothing changes; the best is kept, and its stones
 * slide towards the middle of their cups as far as none is farther away for it. Source: handbook, rules section 7.
 */
final class StonePlacement
{
    /** Farthest a cup may be from a stone, mm. */
    public const REACH_MM = 200.0;

    /** The middle of a stone stays this far from the wall at least, mm; a longer stone by half its length. */
    private const WALL_MM = 25.0;

    /** Stones lie this far apart at least, rim to rim, mm. */
    private const APART_MM = 10.0;

    /** A long stone is a bar, which lies across the way to the next: it keeps apart as one of this size does, mm. */
    private const WIDEST_MM = 160.0;

    private const ROUNDS = 16;

    /** So many times as long as wide. */
    private const LONGER = 1.4;

    private const SLIDES = 6;

    /** Two stones are as near to a cup as this, mm. */
    private const AS_NEAR_MM = 0.01;

    private const ROUNDING_MM = 1.0e-6;

    /**
     * @param  list<Point>  $cups
     * @return list<Point>
     */
    public static function of(array $cups, int $stones, RoundedBox $floor, float $stoneLength = 0.0): array
    {
        if ($cups === [] || $stones < 1) {
            return [];
        }
        $inside = $floor->inset(max(self::WALL_MM, min($stoneLength, self::WIDEST_MM) / 2));
        $apart = min($stoneLength, self::WIDEST_MM) + self::APART_MM;
        $best = null;
        $least = [INF, INF];
        foreach (self::starts($cups, $stones) as $start) {
            $placed = self::clear(self::settled($cups, $start), $inside, $apart);
            $worth = [round(self::farthestCup($cups, $placed), 3), round(self::sum($cups, $placed), 3)];
            // An even arrangement comes first, and an uneven one has to better how far the farthest is by more than a hair.
            if ($best === null || $worth[0] < $least[0] - 0.5 || (abs($worth[0] - $least[0]) <= 0.5 && $worth[1] < $least[1] - 1.0
                && self::isEven($placed) >= self::isEven($best))) {
                [$best, $least] = [$placed, $worth];
            }
        }

        return $best === null ? [] : self::slid($cups, $best, $inside, $apart);
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
            $farthest = max($farthest, self::nearest($cup, $stones));
        }

        return $farthest;
    }

    /**
     * @param  list<Point>  $cups
     * @param  list<Point>  $stones
     */
    private static function sum(array $cups, array $stones): float
    {
        $sum = 0.0;
        foreach ($cups as $cup) {
            $sum += self::nearest($cup, $stones);
        }

        return $sum;
    }

    /** @param  list<Point>  $stones */
    private static function nearest(Point $to, array $stones): float
    {
        $least = INF;
        foreach ($stones as $stone) {
            $least = min($least, ($stone->x - $to->x) ** 2 + ($stone->y - $to->y) ** 2);
        }

        return sqrt($least);
    }

    /**
     * Even arrangements over the cups: in a row along and across, in rows, in a ring, in a ring about one; and one that starts from the
     * cups themselves.
     *
     * @param  non-empty-list<Point>  $cups
     * @return list<list<Point>>
     */
    private static function starts(array $cups, int $stones): array
    {
        $xs = array_map(static fn (Point $p): float => $p->x, $cups);
        $ys = array_map(static fn (Point $p): float => $p->y, $cups);
        [$x, $y] = [(min($xs) + max($xs)) / 2, (min($ys) + max($ys)) / 2];
        [$wide, $deep] = [max($xs) - min($xs), max($ys) - min($ys)];
        $starts = [];
        if ($stones === 1) {
            return [[new Point($x, $y)]];
        }
        // A row across a long tub is no start: it would lie in the middle.
        $long = max($wide, $deep) > self::LONGER * min($wide, $deep);
        for ($rows = 1; $rows <= $stones; $rows++) {
            if ($stones % $rows !== 0 || ($stones === 2 && $long && ($wide > $deep) === ($rows === 2))) {
                continue;
            }
            $columns = intdiv($stones, $rows);
            $start = [];
            for ($r = 0; $r < $rows; $r++) {
                for ($c = 0; $c < $columns; $c++) {
                    $start[] = new Point($x + (($c + 0.5) / $columns - 0.5) * $wide, $y + (($r + 0.5) / $rows - 0.5) * $deep);
                }
            }
            $starts[] = $start;
        }
        foreach ($stones > 2 ? [$stones, $stones - 1] : [] as $round) {
            foreach ([0.0, M_PI / $round, M_PI / 2] as $turn) {
                $ring = $round < $stones ? [new Point($x, $y)] : [];
                for ($i = 0; $i < $round; $i++) {
                    $at = $turn + 2 * M_PI * $i / $round;
                    $ring[] = new Point($x + 0.32 * $wide * cos($at), $y + 0.32 * $deep * sin($at));
                }
                $starts[] = $ring;
            }
        }

        return [...$starts, self::spreadOut($cups, $stones, new Point($x, $y))];
    }

    /**
     * The cup nearest to the middle, and each further one the cup farthest from those so far.
     *
     * @param  non-empty-list<Point>  $cups
     * @return non-empty-list<Point>
     */
    private static function spreadOut(array $cups, int $stones, Point $middle): array
    {
        $chosen = [$cups[0]];
        foreach ($cups as $cup) {
            $chosen = $cup->distanceTo($middle) < $chosen[0]->distanceTo($middle) - self::ROUNDING_MM ? [$cup] : $chosen;
        }
        while (count($chosen) < $stones) {
            $farthest = $middle;
            $distance = self::ROUNDING_MM;
            foreach ($cups as $cup) {
                $d = self::nearest($cup, $chosen);
                [$farthest, $distance] = $d > $distance + self::ROUNDING_MM ? [$cup, $d] : [$farthest, $distance];
            }
            $chosen[] = $farthest;
        }

        return $chosen;
    }

    /**
     * @param  list<Point>  $cups
     * @param  list<Point>  $stones
     * @return list<Point>
     */
    private static function settled(array $cups, array $stones): array
    {
        $known = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $still = true;
            foreach (self::shared($cups, $stones) as $i => $near) {
                // What a stone has had before it need not be gone round again.
                if ($near === ($known[$i] ?? null) || $near === []) {
                    continue;
                }
                $known[$i] = $near;
                $stones[$i] = EnclosingCircle::of(array_map(static fn (int $cup): Point => $cups[$cup], $near))->centre;
                $still = false;
            }
            $stones = array_values($stones);
            if ($still) {
                break;
            }
        }

        return $stones;
    }

    /**
     * The cups of each stone, by their places in the list: those to which none is nearer.
     *
     * @param  list<Point>  $cups
     * @param  list<Point>  $stones
     * @return list<list<int>>
     */
    private static function shared(array $cups, array $stones): array
    {
        $shared = array_fill(0, count($stones), []);
        foreach ($cups as $c => $cup) {
            $least = INF;
            $away = [];
            foreach ($stones as $i => $stone) {
                $away[$i] = ($stone->x - $cup->x) ** 2 + ($stone->y - $cup->y) ** 2;
                $least = $away[$i] < $least ? $away[$i] : $least;
            }
            $most = $least + self::AS_NEAR_MM * (1 + sqrt($least));
            foreach ($away as $i => $distance) {
                if ($distance <= $most) {
                    $shared[$i][] = $c;
                }
            }
        }

        return $shared;
    }

    /**
     * Drawn in to the floor, and pushed off each other where they would touch.
     *
     * @param  list<Point>  $stones
     * @return list<Point>
     */
    private static function clear(array $stones, RoundedBox $inside, float $apart): array
    {
        if ($inside->halfX <= 0.0 || $inside->halfY <= 0.0) {
            return array_map(static fn (): Point => new Point(0.0, 0.0), $stones);
        }
        $stones = array_map(static fn (Point $p): Point => new Point(...$inside->nearest($p->x, $p->y)), $stones);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $touching = false;
            foreach ($stones as $i => $a) {
                for ($j = 0; $j < $i; $j++) {
                    [$a, $b] = [$stones[$i], $stones[$j]];
                    $between = $a->distanceTo($b);
                    if ($between >= $apart - self::ROUNDING_MM) {
                        continue;
                    }
                    $touching = true;
                    // Two in one place part along the longer way of the floor.
                    $along = $inside->halfX >= $inside->halfY ? [1.0, 0.0] : [0.0, 1.0];
                    [$ux, $uy] = $between > self::ROUNDING_MM ? [($a->x - $b->x) / $between, ($a->y - $b->y) / $between] : $along;
                    $push = ($apart - $between) / 2;
                    $stones[$i] = new Point(...$inside->nearest($a->x + $ux * $push, $a->y + $uy * $push));
                    $stones[$j] = new Point(...$inside->nearest($b->x - $ux * $push, $b->y - $uy * $push));
                }
            }
            if (! $touching) {
                break;
            }
        }

        return array_values($stones);
    }

    /**
     * Each stone slid towards the middle of its cups, all by the same share of their ways, as far as no cup is farther off than before.
     *
     * @param  list<Point>  $cups
     * @param  list<Point>  $stones
     * @return list<Point>
     */
    private static function slid(array $cups, array $stones, RoundedBox $inside, float $apart): array
    {
        $farthest = self::farthestCup($cups, $stones);
        $sum = self::sum($cups, $stones);
        $towards = array_map(static fn (array $near, Point $stone): Point => $near === [] ? $stone : new Point(
            array_sum(array_map(static fn (int $cup): float => $cups[$cup]->x, $near)) / count($near),
            array_sum(array_map(static fn (int $cup): float => $cups[$cup]->y, $near)) / count($near),
        ), self::shared($cups, $stones), $stones);
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < self::SLIDES; $i++) {
            $share = $i === 0 ? 1.0 : ($low + $high) / 2;
            $moved = self::clear(array_map(
                static fn (Point $a, Point $b): Point => new Point($a->x + $share * ($b->x - $a->x), $a->y + $share * ($b->y - $a->y)),
                $stones,
                $towards,
            ), $inside, $apart);
            if (self::farthestCup($cups, $moved) <= $farthest + self::ROUNDING_MM && self::sum($cups, $moved) < $sum) {
                [$low, $sum, $best] = [$share, self::sum($cups, $moved), $moved];
            } else {
                $high = $share;
            }
            if ($low === 1.0) {
                break;
            }
        }

        return $best ?? $stones;
    }

    /**
     * Whether an arrangement is its own mirror image, left to right or front to back.
     *
     * @param  list<Point>  $stones
     */
    private static function isEven(array $stones): int
    {
        $even = 0;
        foreach ([[-1.0, 1.0], [1.0, -1.0]] as [$sx, $sy]) {
            $mirrored = array_map(static fn (Point $p): float => self::nearest(new Point($sx * $p->x, $sy * $p->y), $stones), $stones);
            $even += max([0.0, ...$mirrored]) < 1.0 ? 1 : 0;
        }

        return $even;
    }
}
