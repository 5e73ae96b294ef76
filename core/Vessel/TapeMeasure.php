<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/**
 * Inside measures from those that a grower takes with a tape from outside and from the bench. Lengths in mm.
 *
 * Source: handbook, rules section 2.
 */
enum TapeMeasure: string
{
    /** Inside already. */
    case Inside = 'inside';

    /** Round the outside: girth / π, less the wall on both sides. */
    case Girth = 'girth';

    /** Outside across: less the wall on both sides. */
    case Outside = 'outside';

    /** Height from the rim down. */
    case FromRim = 'from-rim';

    /** Height from the bench up, through the floor. */
    case FromBench = 'from-bench';

    /**
     * `TapeMeasure::Girth->inside(942.48, wall: 2.5)` is 295: a bucket 300 across outside.
     *
     * @param  float  $wall  thickness of the wall, for measures from outside
     * @param  float  $rim  height of the rim above the inside floor, for depths from the rim
     * @param  float  $floor  from the bench to the inside floor, for heights from the bench
     */
    public function inside(float $measured, float $wall = 0.0, float $rim = 0.0, float $floor = 0.0): float
    {
        return match ($this) {
            self::Inside => $measured,
            self::Girth => $measured / M_PI - 2 * $wall,
            self::Outside => $measured - 2 * $wall,
            self::FromRim => $rim - $measured,
            self::FromBench => $measured - $floor,
        };
    }
}
