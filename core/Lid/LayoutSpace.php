<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Vessel\Profile;

/**
 * Where on a lid the holes for one kind of cup may go, and how near to each other. Lengths in mm.
 *
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

    /** Least share of the pitch that is left between two holes. */
    public const LEAST_LIGAMENT = 0.15;

    /** Most of the lid's area that may be cut away by a full layout, as a share. */
    public const MOST_REMOVED = 0.35;

    private const ROUNDING_MM = 1.0e-6;

    private RoundedBox $outline;

    /** @var list<array{RoundedBox, float}> the wall at each height that matters, with the cup's radius there */
    private array $walls;

    /** @var list<RoundedBox> hole centres lie in all of these */
    public array $boxes;

    public function __construct(
        public Lid $lid,
        public Cup $cup,
        public float $hole,
        Profile $profile,
        float $cupBottom,
    ) {
        $this->outline = RoundedBox::of($lid->outline);
        $this->walls = self::walls($profile, $cup, $cupBottom);
        $boxes = [$this->outline->inset($hole / 2 + $lid->make->leastEdge())];
        foreach ($this->walls as [$wall, $radius]) {
            $boxes[] = $wall->inset($radius + self::WALL_CLEAR_MM);
        }
        $this->boxes = self::tightest($boxes);
    }

    /** Least distance between hole centres by limits 1 and 2. */
    public function leastPitch(): float
    {
        return max($this->cup->lip + self::LIP_GAP_MM, $this->hole + $this->lid->make->leastWeb());
    }

    /** Least distance between hole centres when the most cups are asked for: the ligament bound as well. */
    public function leastFullPitch(): float
    {
        return max($this->leastPitch(), $this->hole / (1 - self::LEAST_LIGAMENT));
    }

    /** Most holes that leave enough of the lid. */
    public function mostByArea(): int
    {
        return (int) floor(self::MOST_REMOVED * $this->lid->outline->area() / (M_PI * $this->hole ** 2 / 4) + self::ROUNDING_MM);
    }

    /** Distance from a hole's edge to the lid's outline, mm. */
    public function edge(Point $p): float
    {
        return $this->outline->clearance($p->x, $p->y) - $this->hole / 2;
    }

    /** Least distance from the hanging cup to the vessel's wall at any depth, mm; infinite when it hangs above the rim. */
    public function wall(Point $p): float
    {
        $least = INF;
        foreach ($this->walls as [$wall, $radius]) {
            $least = min($least, $wall->clearance($p->x, $p->y) - $radius);
        }

        return $least;
    }

    /** Distance from the cup's lip to the nearest keep-out, mm; infinite when there is none. */
    public function keepOut(Point $p): float
    {
        $least = INF;
        foreach ($this->lid->keepOuts as $keepOut) {
            $least = min($least, $keepOut->distanceTo($p->x, $p->y) - $this->cup->lip / 2);
        }

        return $least;
    }

    public function clearOfKeepOuts(Point $p): bool
    {
        return $this->keepOut($p) >= KeepOut::CLEAR_MM - self::ROUNDING_MM;
    }

    /** Whether one cup may hang in the middle of the lid. */
    public function holdsOneInTheMiddle(): bool
    {
        $middle = new Point(0.0, 0.0);

        return $this->edge($middle) >= self::SINGLE_EDGE_MM - self::ROUNDING_MM
            && $this->wall($middle) >= self::WALL_CLEAR_MM - self::ROUNDING_MM
            && $this->clearOfKeepOuts($middle);
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

    /**
     * The nearest place to a point where a hole may go.
     *
     * @return array{float, float}
     */
    public function nearest(float $x, float $y): array
    {
        foreach ($this->lid->keepOuts as $keepOut) {
            [$x, $y] = $keepOut->pushedOff($x, $y, $this->cup->lip / 2 + KeepOut::CLEAR_MM);
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

        return $edges;
    }

    /**
     * One of those pieces: distance, and the direction in which it grows.
     *
     * @return array{float, float, float}
     */
    public function edgePiece(int $piece, float $x, float $y): array
    {
        $pieces = $this->boxes[intdiv($piece, 2)]->pieces($x, $y);

        return $pieces[$piece % 2] ?? $pieces[0];
    }

    /** The same for spaces in which holes may go to the same places: what a spread is remembered by. */
    public function fingerprint(): string
    {
        $keepOuts = array_map(static fn (KeepOut $k): array => [$k->x, $k->y, $k->section->length, $k->section->width, $k->section->cornerRadius], $this->lid->keepOuts);

        return hash('xxh128', serialize([
            array_map(static fn (RoundedBox $b): array => [$b->halfX, $b->halfY, $b->radius], $this->boxes),
            $keepOuts,
            $keepOuts === [] ? 0.0 : $this->cup->lip,
        ]));
    }

    /** Radius of the largest circle of hole centres about the middle, mm; negative when there is none. */
    public function reachRound(): float
    {
        return min(INF, ...array_map(static fn (RoundedBox $b): float => min($b->halfX, $b->halfY), $this->boxes));
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
