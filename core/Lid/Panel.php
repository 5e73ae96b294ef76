<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/**
 * A flat part of a moulded lid between its ridges: a triangle or a quadrangle without dents, its corners in order. Lengths in mm from the
 * lid's middle.
 *
 * The best place for a hole is the centre of the largest circle that lies inside, found as the highest point of the distance to the nearest
 * side, which rises to one top over a shape without dents.
 */
final readonly class Panel
{
    private const SEARCH_STEPS = 60;

    /** What is left of a range after each step of a golden section. */
    private const GOLDEN = 0.6180339887498949;

    /** Centre of the largest circle inside. */
    public Point $middle;

    /** @param  non-empty-list<Point>  $corners */
    public function __construct(public array $corners)
    {
        $this->middle = count($corners) === 3 ? self::incentre(...$corners) : $this->searched();
    }

    /**
     * Whether corners go round without crossing, dent or three in a line, either way round.
     *
     * @param  non-empty-list<Point>  $corners
     */
    public static function isSound(array $corners): bool
    {
        $count = count($corners);
        $turns = [];
        for ($i = 0; $i < $count; $i++) {
            [$a, $b, $c] = [$corners[$i], $corners[($i + 1) % $count], $corners[($i + 2) % $count]];
            $turns[] = ($b->x - $a->x) * ($c->y - $b->y) - ($b->y - $a->y) * ($c->x - $b->x);
        }

        return $count >= 3 && (min($turns) > 0.0 || max($turns) < 0.0);
    }

    /** Distance from a point to the nearest side, negative outside. */
    public function clearance(float $x, float $y): float
    {
        $count = count($this->corners);
        $least = INF;
        for ($i = 0; $i < $count; $i++) {
            [$a, $b] = [$this->corners[$i], $this->corners[($i + 1) % $count]];
            [$dx, $dy] = [$b->x - $a->x, $b->y - $a->y];
            $least = min($least, $this->turn() * ($dx * ($y - $a->y) - $dy * ($x - $a->x)) / hypot($dx, $dy));
        }

        return $least;
    }

    /** 1 where the corners go left round, −1 where they go right. */
    private function turn(): float
    {
        [$a, $b, $c] = $this->corners;

        return ($b->x - $a->x) * ($c->y - $b->y) - ($b->y - $a->y) * ($c->x - $b->x) > 0.0 ? 1.0 : -1.0;
    }

    /** Where the bisectors of a triangle meet: its corners, each weighed by the side across from it. */
    private static function incentre(Point $a, Point $b, Point $c): Point
    {
        $sides = [hypot($b->x - $c->x, $b->y - $c->y), hypot($c->x - $a->x, $c->y - $a->y), hypot($a->x - $b->x, $a->y - $b->y)];
        $round = array_sum($sides);

        return new Point(
            ($sides[0] * $a->x + $sides[1] * $b->x + $sides[2] * $c->x) / $round,
            ($sides[0] * $a->y + $sides[1] * $b->y + $sides[2] * $c->y) / $round,
        );
    }

    private function searched(): Point
    {
        $xs = array_map(static fn (Point $p): float => $p->x, $this->corners);
        $ys = array_map(static fn (Point $p): float => $p->y, $this->corners);
        $bestY = static fn (callable $height): float => self::top($height, min($ys), max($ys));
        $at = fn (float $x): float => $bestY(fn (float $y): float => $this->clearance($x, $y));
        $x = self::top(fn (float $x): float => $this->clearance($x, $at($x)), min($xs), max($xs));

        return new Point($x, $at($x));
    }

    /** Where a function with one top has it, by golden section. */
    private static function top(callable $height, float $from, float $to): float
    {
        for ($step = 0; $step < self::SEARCH_STEPS && $to - $from > 1.0e-9; $step++) {
            $a = $to - self::GOLDEN * ($to - $from);
            $b = $from + self::GOLDEN * ($to - $from);
            [$from, $to] = $height($a) < $height($b) ? [$a, $to] : [$from, $b];
        }

        return ($from + $to) / 2;
    }
}
