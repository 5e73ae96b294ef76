<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;

/**
 * Spreads N hole centres over a lid so that the least distance between any two is as great as it can be found.
 *
 * From several deterministic starts holes push each other apart while the wanted distance is raised as long as they give way; the best
 * of these is then solved exactly: all distances that are least are made equal, and holes at the edge stay on it, by Newton steps to
 * machine precision. For up to 30 holes in a square or a circle the least distance is within 1 % of the best arrangements known
 * (K. J. Nurmela and P. R. J. Östergård, "Packing up to 50 equal circles in a square", 1997; R. L. Graham, B. D. Lubachevsky,
 * K. J. Nurmela and P. R. J. Östergård, "Dense packings of congruent circles in a circle", 1998).
 */
final class SpreadSolver
{
    /** Pair looks that one answer may take in all: bounds the time, the same on every machine. */
    private const BUDGET = 900_000;

    private const LEAST_STARTS = 3;

    private const MOST_STARTS = 24;

    /** Sweeps of one start; after so many of them holes look round for their neighbours. */
    private const SWEEPS = 200;

    private const LOOK_ROUND = 4;

    /** Share of the pressure that is left after each look round. */
    private const EASE = 0.96;

    /** It falls slowly for this share of the sweeps and then fast. */
    private const SLOW = 0.75;

    private const EASE_LAST = 0.75;

    /** Holes that overlap by less, as a share of the wanted distance, are loose: more is wanted. */
    private const LOOSE = 0.0005;

    /** Times that a good arrangement is shaken and let settle again, over the number of holes; a few holes need fewer. */
    private const SHAKES = 800;

    private const SHAKES_PER_HOLE = 10;

    private const PLACES = 12;

    /** Regular patterns that reach this share of the bound are worth beginning from, and so many of them. */
    private const REGULAR_SHARE = 0.72;

    private const MOST_REGULAR = 10;

    /** On a lid with keep-outs lattices are worth beginning from, down to this share of the bound. */
    private const LATTICE_SHARE = 0.2;

    /** Bringing a hole off keep-outs takes as long as so many pair looks. */
    private const OFF = 6.0;

    /** Starts made, and the part of the shakes, where only enough room is looked for. */
    private const STARTS_OF_ENOUGH = 10;

    private const SHAKES_OF_ENOUGH = 2;

    private int $seed = 1;

    /** @var array<int, float> */
    private array $x = [];

    /** @var array<int, float> */
    private array $y = [];

    /** @var list<array{float, float, float, float, float}> half extents, flat halves and radius of each box of the space */
    private readonly array $boxes;

    /** Where holes may go on a lid with keep-outs; null where none is in the way. */
    private readonly ?OpenPlaces $places;

    public function __construct(private readonly LayoutSpace $space)
    {
        $this->places = $space->obstacles === [] ? null : $space->places;
        $this->boxes = array_map(
            static fn (RoundedBox $b): array => [$b->halfX, $b->halfY, $b->halfX - $b->radius, $b->halfY - $b->radius, $b->radius],
            $space->boxes,
        );
    }

    /**
     * @param  float|null  $enough  a least distance that will do: the first such arrangement is given, and the search for one is shorter
     * @return list<Point>|null null when the holes do not fit clear of the keep-outs
     */
    public function spread(int $count, ?float $enough = null): ?array
    {
        $this->seed = 12345 + $count;
        $best = null;
        $second = [];
        $widest = $runnerUp = -1.0;
        if ($this->places?->nearest(0.0, 0.0) === null && $this->places !== null) {
            return null;
        }
        $bound = $this->space->mostDistance($count);
        $starts = $this->regularStarts($count, $bound);
        $perStart = self::SWEEPS * (min($count * ($count - 1) / 2, 7.0 * $count) + ($this->places === null ? 0.0 : self::OFF * $count));
        $shakes = (int) min(self::SHAKES / $count, self::SHAKES_PER_HOLE * ($count - 1));
        $made = (int) max(self::LEAST_STARTS, min(self::MOST_STARTS, self::BUDGET / max(1.0, $perStart)));
        if ($enough !== null) {
            [$made, $shakes] = [min($made, self::STARTS_OF_ENOUGH), intdiv($shakes, self::SHAKES_OF_ENOUGH)];
        } elseif ($this->places !== null) {
            $shakes = intdiv($shakes, 2);
        }
        for ($i = -count($starts); $i < $made + $shakes; $i++) {
            if ($i < 0) {
                $this->take($starts[-$i - 1]);
            } elseif ($i < $made || $best === null) {
                $this->scatter($count, $i);
            } else {
                // Mostly the best so far, now and then the runner-up: two ways out of a narrow place.
                $this->take($i % 4 === 3 ? $second : $best);
                $this->shake($widest * (0.04 + 0.2 * $this->chance()));
            }
            $distance = $this->settle($enough ?? ($i < $made ? $widest : $runnerUp), $i < $made ? $bound : $widest * 1.12);
            if ($distance > $widest) {
                [$second, $runnerUp] = [$best ?? $this->points(), $widest];
                [$best, $widest] = [$this->points(), $distance];
            } elseif ($distance > $runnerUp && $distance < $widest * (1 - 1.0e-4)) {
                [$second, $runnerUp] = [$this->points(), $distance];
            }
            if ($enough !== null && $widest >= $enough) {
                return $best;
            }
        }
        if ($best === null) {
            return null;
        }
        $exact = (new SpreadRefinement($this->space))->refine($best);

        return $this->isAllowed($exact) ? $exact : $best;
    }

    /**
     * Regular patterns to begin from: of this count, and of up to three more with the surplus taken out along the middle.
     *
     * @return list<list<Point>>
     */
    private function regularStarts(int $count, float $bound): array
    {
        $lattice = $this->places === null
            ? null
            : (new LatticePattern($this->space))->arrange($count, self::LATTICE_SHARE * $bound);
        $starts = $lattice === null ? [] : [$lattice->points];
        for ($surplus = 0; $surplus <= 3; $surplus++) {
            foreach ([new GridPattern, new StaggeredPattern, new RingPattern] as $pattern) {
                foreach ($pattern->arrange($this->space, $count + $surplus, self::REGULAR_SHARE * $bound) as $arrangement) {
                    $points = $arrangement->points;
                    for ($out = 0; $out < $surplus; $out++) {
                        array_splice($points, intdiv(count($points) * (1 + $out), 1 + $surplus), 1);
                    }
                    $starts[] = array_slice($points, 0, $count);
                }
            }
        }

        return array_slice($starts, 0, self::MOST_REGULAR);
    }

    /** @param  list<Point>  $points */
    private function take(array $points): void
    {
        $this->x = array_map(static fn (Point $p): float => $p->x, $points);
        $this->y = array_map(static fn (Point $p): float => $p->y, $points);
    }

    /** @return list<Point> */
    private function points(): array
    {
        return array_map(static fn (float $x, float $y): Point => new Point($x, $y), $this->x, $this->y);
    }

    /** A start: holes strewn over the space, more evenly the earlier the start. */
    private function scatter(int $count, int $start): void
    {
        $wide = $this->space->reachX(0.0);
        $deep = $this->space->reachY(0.0);
        $this->x = $this->y = [];
        for ($i = 0; $i < $count; $i++) {
            // A low-discrepancy sequence turned a little further each start, with some chance in it.
            $u = fmod(0.5 + ($i + 1) * 0.7548776662466927 + $start * 0.6180339887, 1.0) + ($this->chance() - 0.5) * 0.12 * ($start % 4);
            $v = fmod(0.5 + ($i + 1) * 0.5698402909980532 + $start * 0.3819660113, 1.0) + ($this->chance() - 0.5) * 0.12 * ($start % 4);
            $this->x[] = (2 * $u - 1) * $wide;
            $this->y[] = (2 * $v - 1) * $deep;
        }
    }

    private function shake(float $by): void
    {
        $count = count($this->x);
        // One or two holes go where there is most room of a few places looked at; the others stir a little.
        for ($n = 0; $n < 1 + (int) ($this->chance() * 2); $n++) {
            $i = (int) ($this->chance() * $count) % $count;
            $roomiest = -1.0;
            for ($look = 0; $look < self::PLACES; $look++) {
                [$x, $y] = [(2 * $this->chance() - 1) * $this->space->reachX(0.0), (2 * $this->chance() - 1) * $this->space->reachY(0.0)];
                $room = INF;
                foreach ($this->x as $j => $other) {
                    $room = $j === $i ? $room : min($room, hypot($x - $other, $y - $this->y[$j]));
                }
                if ($room > $roomiest) {
                    [$roomiest, $goX, $goY] = [$room, $x, $y];
                }
            }
            [$this->x[$i], $this->y[$i]] = [$goX ?? 0.0, $goY ?? 0.0];
        }
        foreach ($this->x as $i => $x) {
            $this->x[$i] = $x + (2 * $this->chance() - 1) * $by;
            $this->y[$i] += (2 * $this->chance() - 1) * $by;
        }
    }

    /** A number 0 … 1, the same ones in the same order every time. */
    private function chance(): float
    {
        $this->seed = ($this->seed * 1103515245 + 12345) & 0x7FFFFFFF;

        return $this->seed / 0x7FFFFFFF;
    }

    /**
     * Lets holes push each other apart, and gives the least distance they settle at. The wanted distance starts at what no arrangement can
     * exceed, so that all of them push, and comes down to what there is room for.
     */
    private function settle(float $toBeat, float $wanted): float
    {
        $count = count($this->x);
        $pairs = [];
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            if ($sweep % self::LOOK_ROUND === 0) {
                $least = $this->leastDistance();
                // Part of the way down to what there is: the pressure falls as they settle.
                $wanted = match (true) {
                    $sweep === 0 => $wanted,
                    $least > $wanted * (1 - self::LOOSE) => $wanted * (1 + 4 * self::LOOSE),
                    default => $least + ($wanted - $least) * ($sweep < self::SWEEPS * self::SLOW ? self::EASE : self::EASE_LAST),
                };
                if ($sweep > self::SWEEPS / 2 && $least + ($wanted - $least) * 0.5 < $toBeat * 0.99) {
                    break;
                }
                $pairs = $this->neighbours($wanted * 1.35);
            }
            [$x, $y] = [$this->x, $this->y];
            $square = $wanted * $wanted;
            foreach ($pairs as $i => $others) {
                $xi = $x[$i];
                $yi = $y[$i];
                foreach ($others as $j) {
                    $dx = $xi - $x[$j];
                    $dy = $yi - $y[$j];
                    $d = $dx * $dx + $dy * $dy;
                    if ($d < $square) {
                        if ($d < 1.0e-12) {
                            [$dx, $dy, $d] = [1.0e-3 * ($i - $j), 1.0e-3, 1.0e-6];
                        }
                        $push = 0.42 * ($wanted / sqrt($d) - 1);
                        $xi += $dx * $push;
                        $yi += $dy * $push;
                        $x[$j] -= $dx * $push;
                        $y[$j] -= $dy * $push;
                    }
                }
                $x[$i] = $xi;
                $y[$i] = $yi;
            }
            $this->project($x, $y);
        }

        return $this->leastDistance();
    }

    /**
     * Brings holes back into the space and off its keep-outs. Where there are none LayoutSpace::nearest is written out: it is most of
     * the work.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     */
    private function project(array $x, array $y): void
    {
        foreach ($x as $i => $px) {
            $py = $y[$i];
            foreach ($this->boxes as [$halfX, $halfY, $flatX, $flatY, $radius]) {
                $ax = $px < 0.0 ? -$px : $px;
                $ay = $py < 0.0 ? -$py : $py;
                if ($ax > $flatX && $ay > $flatY && $radius > 0.0) {
                    $d = ($ax - $flatX) ** 2 + ($ay - $flatY) ** 2;
                    if ($d > $radius * $radius) {
                        $share = $radius / sqrt($d);
                        $ax = $flatX + ($ax - $flatX) * $share;
                        $ay = $flatY + ($ay - $flatY) * $share;
                        $px = $px < 0.0 ? -$ax : $ax;
                        $py = $py < 0.0 ? -$ay : $ay;
                    }
                } else {
                    if ($ax > $halfX) {
                        $px = $px < 0.0 ? -$halfX : $halfX;
                    }
                    if ($ay > $halfY) {
                        $py = $py < 0.0 ? -$halfY : $halfY;
                    }
                }
            }
            if ($this->places !== null && ! $this->places->isFree($px, $py)) {
                [$px, $py] = $this->places->nearest($px, $py) ?? [$px, $py];
            }
            $x[$i] = $px;
            $y[$i] = $py;
        }
        [$this->x, $this->y] = [$x, $y];
    }

    /** @return array<int, list<int>> for each hole the earlier ones nearer than a distance */
    private function neighbours(float $within): array
    {
        $square = $within * $within;
        $pairs = [];
        [$x, $y] = [$this->x, $this->y];
        for ($i = 1, $count = count($x); $i < $count; $i++) {
            [$xi, $yi] = [$x[$i], $y[$i]];
            for ($j = 0; $j < $i; $j++) {
                $dx = $xi - $x[$j];
                $dy = $yi - $y[$j];
                if ($dx * $dx + $dy * $dy < $square) {
                    $pairs[$i][] = $j;
                }
            }
        }

        return $pairs;
    }

    private function leastDistance(): float
    {
        $least = INF;
        [$x, $y] = [$this->x, $this->y];
        for ($i = 1, $count = count($x); $i < $count; $i++) {
            [$xi, $yi] = [$x[$i], $y[$i]];
            for ($j = 0; $j < $i; $j++) {
                $dx = $xi - $x[$j];
                $dy = $yi - $y[$j];
                $d = $dx * $dx + $dy * $dy;
                if ($d < $least) {
                    $least = $d;
                }
            }
        }

        return sqrt($least);
    }

    /** @param  list<Point>  $points */
    private function isAllowed(array $points): bool
    {
        foreach ($points as $p) {
            if (! $this->space->isOpen($p->x, $p->y)) {
                return false;
            }
        }

        return true;
    }
}
