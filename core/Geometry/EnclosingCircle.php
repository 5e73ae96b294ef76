<?php

declare(strict_types=1);

namespace KelpTub\Core\Geometry;

/**
 * The smallest circle round points: its centre is the place whose farthest point is nearest.
 *
 * Source: E. Welzl, "Smallest enclosing disks", in New Results and New Trends in Computer Science (1991), with the points taken in their
 * order.
 */
final readonly class EnclosingCircle
{
    private const ROUNDING = 1.0e-9;

    private function __construct(public Point $centre, public float $radius)
    {
    }

    /**
     * Of a few points, to which the one that is farthest outside is added until none is.
     *
     * @param  non-empty-list<Point>  $points
     */
    public static function of(array $points): self
    {
        $few = [$points[0]];
        while (true) {
            $circle = self::ofAll($few);
            [$x, $y] = [$circle->centre->x, $circle->centre->y];
            $farthest = ($circle->radius + self::ROUNDING) ** 2;
            $outside = null;
            foreach ($points as $p) {
                $away = ($p->x - $x) ** 2 + ($p->y - $y) ** 2;
                if ($away > $farthest) {
                    [$outside, $farthest] = [$p, $away];
                }
            }
            // One that is among them already is outside by less than can be told.
            if ($outside === null || in_array($outside, $few, true)) {
                return $circle;
            }
            array_unshift($few, $outside);
        }
    }

    /** @param  non-empty-list<Point>  $points */
    private static function ofAll(array $points): self
    {
        $circle = new self($points[0], 0.0);
        foreach ($points as $i => $p) {
            if (self::isOutside($circle, $p)) {
                $circle = self::withOn($points, $i, $p);
            }
        }

        return $circle;
    }

    /**
     * The smallest round the points before one, with that one on it.
     *
     * @param  list<Point>  $points
     */
    private static function withOn(array $points, int $before, Point $p): self
    {
        $circle = new self($p, 0.0);
        for ($j = 0; $j < $before; $j++) {
            if (! self::isOutside($circle, $points[$j])) {
                continue;
            }
            $circle = self::across($p, $points[$j]);
            for ($k = 0; $k < $j; $k++) {
                if (self::isOutside($circle, $points[$k])) {
                    $circle = self::through($p, $points[$j], $points[$k]);
                }
            }
        }

        return $circle;
    }

    private static function isOutside(self $circle, Point $p): bool
    {
        return ($p->x - $circle->centre->x) ** 2 + ($p->y - $circle->centre->y) ** 2 > ($circle->radius + self::ROUNDING) ** 2;
    }

    private static function across(Point $a, Point $b): self
    {
        return new self(new Point(($a->x + $b->x) / 2, ($a->y + $b->y) / 2), $a->distanceTo($b) / 2);
    }

    private static function through(Point $a, Point $b, Point $c): self
    {
        [$bx, $by, $cx, $cy] = [$b->x - $a->x, $b->y - $a->y, $c->x - $a->x, $c->y - $a->y];
        $d = 2 * ($bx * $cy - $by * $cx);
        if (abs($d) < self::ROUNDING) {
            $pairs = [self::across($a, $b), self::across($a, $c), self::across($b, $c)];
            usort($pairs, static fn (self $p, self $q): int => $q->radius <=> $p->radius);

            return $pairs[0];
        }
        $x = ($cy * ($bx ** 2 + $by ** 2) - $by * ($cx ** 2 + $cy ** 2)) / $d;
        $y = ($bx * ($cx ** 2 + $cy ** 2) - $cx * ($bx ** 2 + $by ** 2)) / $d;

        return new self(new Point($a->x + $x, $a->y + $y), hypot($x, $y));
    }
}
