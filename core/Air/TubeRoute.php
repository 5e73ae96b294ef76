<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Geometry\Point;

/**
 * How much tube one line takes from the splitter to its stones, as pieces to cut, in mm.
 *
 * From the pump to the entry hole (distance and the height between them), down the wall, along the floor to the first stone, a stub by
 * tee to each other stone, and 120 mm of slack. Source: handbook, rules section 7.
 */
final readonly class TubeRoute
{
    public const SLACK_MM = 120.0;

    /** Tube hole below the rim, mm. */
    public const BELOW_RIM_MM = 25.0;

    /** A tube hole is drilled this much over the tube, mm. */
    public const HOLE_OVER_MM = 1.0;

    /** A tube hole stays this far above the highest water line, mm. */
    public const ABOVE_WATER_MM = 15.0;

    /** @param  list<float>  $stubs */
    private function __construct(public float $main, public array $stubs)
    {
    }

    /**
     * @param  float  $distance  along the ground from pump to tub
     * @param  float  $climb  height between pump and entry hole, up or down
     * @param  float  $drop  from the entry hole down to the stones
     * @param  Point  $foot  where the tube meets the floor
     * @param  list<Point>  $stones
     */
    public static function of(float $distance, float $climb, float $drop, Point $foot, array $stones): self
    {
        usort($stones, static fn (Point $a, Point $b): int => $a->distanceTo($foot) <=> $b->distanceTo($foot));
        $first = array_shift($stones);
        $main = $distance + abs($climb) + $drop + ($first?->distanceTo($foot) ?? 0.0) + self::SLACK_MM;

        return new self($main, array_map(static fn (Point $p): float => $p->distanceTo($first ?? $p), $stones));
    }

    public function length(): float
    {
        return $this->main + array_sum($this->stubs);
    }
}
