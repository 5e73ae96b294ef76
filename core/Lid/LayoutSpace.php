<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Vessel\Profile;

/**
 * Where on a lid the holes may go, and how near to each other. Lengths in mm.
 *
 * With two sizes of cup a place in general is one that takes either; a hole that has its cup is held to that cup's own limits.
 * Holds limits 1 to 4 of the layout: lips apart, web, edge and wall, keep-outs. Source: handbook, rules section 5.
 */
final readonly class LayoutSpace
{
    /** Lips stay this far apart, mm. */
    public const LIP_GAP_MM = 3.0;

    /** A hanging cup stays this far from the vessel's wall, mm. */
    public const WALL_CLEAR_MM = 5.0;

    /** One centred cup needs only this much edge, mm: a ring carries it all round. */
    public const SINGLE_EDGE_MM = 5.0;

    /** Least share of the distance between two centres that is left between two holes. */
    public const LEAST_LIGAMENT = 0.15;

    /** Most of the lid's area that may be cut away by a full layout, as a share. */
    public const MOST_REMOVED = 0.35;

    private const ROUNDING_MM = 1.0e-6;

    /** Raised whenever the same space is laid out otherwise than before, so that nothing remembered is taken for it. */
    private const VERSION = 2;

    private RoundedBox $outline;

    /** @var list<list<array{RoundedBox, float}>> for each cup the wall at each height that matters, with the cup's radius there */
    private array $walls;

    /** @var list<RoundedBox> hole centres lie in all of these */
    public array $boxes;

    /** @var list<KeepOut> keep-outs in the way, as far out as no hole centre may go: none where a lid has none or they lie off the boxes */
    public array $obstacles;

    /** Where a hole may go, place by place. */
    public OpenPlaces $places;

    /** The same for spaces in which holes may go to the same places: what is found out about one is remembered by it. */
    public string $fingerprint;

    /** The widest hole. */
    public float $hole;

    /** The widest lip. */
    private float $lip;

    /** @param  non-empty-list<CupInHole>  $cups  the tub's cup, then the second size where there is one */
    public function __construct(public Lid $lid, public array $cups, Profile $profile)
    {
        $this->outline = RoundedBox::of($lid->outline);
        $this->hole = max(array_map(static fn (CupInHole $c): float => $c->hole, $cups));
        $this->lip = max(array_map(static fn (CupInHole $c): float => $c->cup->lip, $cups));
        $this->walls = array_map(static fn (CupInHole $c): array => self::walls($profile, $c->cup, $c->bottom), $cups);
        $boxes = [$this->outline->inset($this->hole / 2 + $lid->make->leastEdge())];
        foreach ($this->walls as $walls) {
            foreach ($walls as [$wall, $radius]) {
                $boxes[] = $wall->inset($radius + self::WALL_CLEAR_MM);
            }
        }
        $this->boxes = self::tightest($boxes);
        $this->obstacles = $this->inTheWay($lid->keepOuts);
        $this->places = new OpenPlaces($this);
        $this->fingerprint = hash('xxh128', serialize([
            self::VERSION,
            array_map(static fn (RoundedBox $b): array => [$b->halfX, $b->halfY, $b->radius], $this->boxes),
            array_map(
                static fn (KeepOut $k): array => [
                    $k->x,
                    $k->y,
                    $k->section->round,
                    $k->section->length,
                    $k->section->width,
                    $k->section->cornerRadius,
                ],
                $lid->keepOuts,
            ),
            array_map(static fn (Panel $p): array => array_map(static fn (Point $c): array => [$c->x, $c->y], $p->corners), $lid->panels),
            [$lid->outline->round, $lid->outline->length, $lid->outline->width, $lid->outline->cornerRadius],
            $this->lip,
            $this->holdsOneInTheMiddle(),
        ]));
    }

    /** Least distance between hole centres by limits 1 and 2, whichever cups they hold. */
    public function leastDistance(): float
    {
        return max($this->lip + self::LIP_GAP_MM, $this->hole + $this->lid->make->leastWeb());
    }

    /** Least distance between the centres of two holes by the lips of their own cups (limit 1). */
    public function leastDistanceByLips(int $cup, int $other): float
    {
        return ($this->cups[$cup]->cup->lip + $this->cups[$other]->cup->lip) / 2 + self::LIP_GAP_MM;
    }

    /** Least distance between the centres of two holes by lips and web (limits 1 and 2) of their own cups. */
    public function leastDistanceOf(int $cup, int $other): float
    {
        return max(
            $this->leastDistanceByLips($cup, $other),
            ($this->cups[$cup]->hole + $this->cups[$other]->hole) / 2 + $this->lid->make->leastWeb(),
        );
    }

    /** What is left of the lid between two holes a distance apart. */
    public function web(float $distance, int $cup, int $other): float
    {
        return $distance - ($this->cups[$cup]->hole + $this->cups[$other]->hole) / 2;
    }

    /** Least distance between hole centres when the most cups are asked for: the ligament bound as well. */
    public function leastDistanceOfMost(): float
    {
        return max($this->leastDistance(), $this->hole / (1 - self::LEAST_LIGAMENT));
    }

    /** Most holes that leave enough of the lid. */
    public function mostByArea(): int
    {
        return (int) floor(self::MOST_REMOVED * $this->lid->outline->area() / (M_PI * $this->hole ** 2 / 4) + self::ROUNDING_MM);
    }

    /** Distance from a hole's edge to the lid's outline, mm. */
    public function edge(Point $p, int $cup = 0): float
    {
        return $this->outline->clearance($p->x, $p->y) - $this->cups[$cup]->hole / 2;
    }

    /** Least distance from the hanging cup to the vessel's wall at any depth, mm; infinite when it hangs above the rim. */
    public function wall(Point $p, int $cup = 0): float
    {
        $least = INF;
        foreach ($this->walls[$cup] as [$wall, $radius]) {
            $least = min($least, $wall->clearance($p->x, $p->y) - $radius);
        }

        return $least;
    }

    /** Distance from the cup's lip to the nearest keep-out, mm; infinite when there is none. */
    public function keepOut(Point $p, int $cup = 0): float
    {
        return $this->toKeepOuts($p) - $this->cups[$cup]->cup->lip / 2;
    }

    /** Whether edge, wall and keep-outs are far enough from a hole (3 and 4); one cup alone in the middle needs less edge. */
    public function isClear(float $edge, float $wall, float $keepOut, bool $oneInTheMiddle): bool
    {
        return $edge >= ($oneInTheMiddle ? self::SINGLE_EDGE_MM : $this->lid->make->leastEdge()) - self::ROUNDING_MM
            && $wall >= self::WALL_CLEAR_MM - self::ROUNDING_MM
            && $keepOut >= KeepOut::CLEAR_MM - self::ROUNDING_MM;
    }

    public function clearOfKeepOuts(Point $p): bool
    {
        return $this->toKeepOuts($p) - $this->lip / 2 >= KeepOut::CLEAR_MM - self::ROUNDING_MM;
    }

    private function toKeepOuts(Point $p): float
    {
        $least = INF;
        foreach ($this->lid->keepOuts as $keepOut) {
            $least = min($least, $keepOut->distanceTo($p->x, $p->y));
        }

        return $least;
    }

    /** Whether one cup may hang in the middle of the lid. */
    public function holdsOneInTheMiddle(): bool
    {
        $middle = new Point(0.0, 0.0);
        foreach (array_keys($this->cups) as $cup) {
            if (
                $this->edge($middle, $cup) < self::SINGLE_EDGE_MM - self::ROUNDING_MM
                || $this->wall($middle, $cup) < self::WALL_CLEAR_MM - self::ROUNDING_MM
            ) {
                return false;
            }
        }

        return $this->clearOfKeepOuts($middle);
    }

    /** The farthest a hole centre may lie from the middle along x, at a given y, mm. */
    public function reachX(float $y): float
    {
        $reach = INF;
        foreach ($this->boxes as $box) {
            $reach = min($reach, $box->reachX($y));
        }

        return $reach;
    }

    /** The farthest a hole centre may lie from the middle along y, at a given x, mm. */
    public function reachY(float $x): float
    {
        $reach = INF;
        foreach ($this->boxes as $box) {
            $reach = min($reach, $box->reachY($x));
        }

        return $reach;
    }

    /** How far inside the edges that bind a hole's centre a point lies, mm; negative outside. Keep-outs are not looked at. */
    public function inside(float $x, float $y): float
    {
        $least = INF;
        foreach ($this->boxes as $box) {
            $least = min($least, $box->clearance($x, $y));
        }

        return $least;
    }

    /**
     * Whether any of the tub's cups may hang in a hole there, as one of several.
     *
     * @param  list<KeepOut>|null  $obstacles  those that may be near, where that is known
     */
    public function isOpen(float $x, float $y, ?array $obstacles = null): bool
    {
        if ($this->inside($x, $y) < -self::ROUNDING_MM) {
            return false;
        }
        foreach ($obstacles ?? $this->obstacles as $obstacle) {
            if ($obstacle->distanceTo($x, $y) < -self::ROUNDING_MM) {
                return false;
            }
        }

        return true;
    }

    /**
     * A point brought off each keep-out and into each box in turn: what is left of the others may stand in its way again.
     *
     * @param  list<KeepOut>|null  $obstacles  those that may be near, where that is known
     * @return array{float, float}
     */
    public function nearest(float $x, float $y, ?array $obstacles = null): array
    {
        foreach ($obstacles ?? $this->obstacles as $obstacle) {
            [$x, $y] = $obstacle->pushedOut($x, $y);
        }
        foreach ($this->boxes as $box) {
            [$x, $y] = $box->nearest($x, $y);
        }

        return [$x, $y];
    }

    /**
     * Every piece of edge that a hole may come to stand on, by a number that stays its own, with its distance, positive inside.
     *
     * @return list<array{int, float}>
     */
    public function edges(float $x, float $y): array
    {
        $edges = [];
        foreach ($this->boxes as $b => $box) {
            foreach ($box->pieces($x, $y) as $p => [$distance]) {
                $edges[] = [2 * $b + $p, $distance];
            }
        }
        foreach ($this->obstacles as $o => $obstacle) {
            $edges[] = [2 * count($this->boxes) + $o, $obstacle->distanceTo($x, $y)];
        }

        return $edges;
    }

    /**
     * One of those pieces: distance, and the direction in which it grows.
     *
     * @return array{float, float, float}
     */
    public function edgePiece(int $piece, float $x, float $y): array
    {
        $ofBoxes = 2 * count($this->boxes);
        if ($piece >= $ofBoxes) {
            return $this->obstacles[$piece - $ofBoxes]->edge($x, $y);
        }
        $pieces = $this->boxes[intdiv($piece, 2)]->pieces($x, $y);

        return $pieces[$piece % 2] ?? $pieces[0];
    }

    /**
     * No more than so many points lie so far apart here: `2A/(√3·d²) + P/(2d) + 1` of any convex region that holds them all.
     *
     * Source: N. Oler, "An inequality in the geometry of numbers", Acta Mathematica 105 (1961).
     */
    public function mostApart(float $leastDistance): int
    {
        $most = PHP_INT_MAX;
        foreach ($this->boxes as $box) {
            $most = min(
                $most,
                $box->halfX < 0.0 || $box->halfY < 0.0 ? 1 : (int) floor(
                    2 * $box->area() / (sqrt(3) * $leastDistance ** 2) + $box->perimeter() / (2 * $leastDistance) + 1 + self::ROUNDING_MM,
                ),
            );
        }

        return $most;
    }

    /** So many points cannot all be farther apart than this: the same bound solved for the distance, for two or more. */
    public function mostDistance(int $count): float
    {
        $least = INF;
        foreach ($this->boxes as $box) {
            $half = $box->perimeter() / 4;
            $least = min($least, ($half + sqrt($half ** 2 + 2 / sqrt(3) * max(0.0, $box->area()) * ($count - 1))) / ($count - 1));
        }

        return $least;
    }

    /** Radius of the largest circle of hole centres about the middle, mm; negative when there is none. */
    public function reachRound(): float
    {
        return min([INF, ...array_map(static fn (RoundedBox $b): float => min($b->halfX, $b->halfY), $this->boxes)]);
    }

    /**
     * Those keep-outs that reach into where holes may go, grown by half a lip and the space to it.
     *
     * @param  list<KeepOut>  $keepOuts
     * @return list<KeepOut>
     */
    private function inTheWay(array $keepOuts): array
    {
        [$wide, $deep] = [$this->reachX(0.0), $this->reachY(0.0)];
        $obstacles = [];
        foreach ($keepOuts as $keepOut) {
            $grown = $keepOut->grown($this->lip / 2 + KeepOut::CLEAR_MM);
            if (
                abs($grown->x) - $grown->section->length / 2 < $wide - self::ROUNDING_MM
                && abs($grown->y) - $grown->section->width / 2 < $deep - self::ROUNDING_MM
            ) {
                $obstacles[] = $grown;
            }
        }

        return $obstacles;
    }

    /**
     * Those boxes that do not merely contain another one.
     *
     * @param  list<RoundedBox>  $boxes
     * @return list<RoundedBox>
     */
    private static function tightest(array $boxes): array
    {
        foreach ($boxes as $i => $box) {
            foreach ($boxes as $j => $other) {
                if ($i !== $j && $box->contains($other)) {
                    unset($boxes[$i]);
                    break;
                }
            }
        }

        return array_values($boxes);
    }

    /**
     * The wall wherever the clearance can be least: both are straight between stations, so at the cup's ends and at the stations between.
     *
     * @return list<array{RoundedBox, float}>
     */
    private static function walls(Profile $profile, Cup $cup, float $cupBottom): array
    {
        if ($cupBottom >= $profile->rim()) {
            return [];
        }
        $top = min($profile->rim(), $cupBottom + $cup->height);
        $heights = [max(0.0, $cupBottom), $top];
        $walls = [];
        foreach ($profile->stations as $station) {
            if ($station->height > $cupBottom && $station->height <= $top) {
                $walls[] = [RoundedBox::of($station->section), $cup->diameterAt($station->height - $cupBottom) / 2];
            }
        }
        foreach ($heights as $height) {
            if ($height <= $profile->rim()) {
                $walls[] = [RoundedBox::of($profile->sectionAt($height)), $cup->diameterAt($height - $cupBottom) / 2];
            }
        }

        return $walls;
    }
}
