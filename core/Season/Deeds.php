<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** What somebody does with a tub on an evening, in this order: strengthening, then a change of all its water or else a top-up. */
final readonly class Deeds
{
    /**
     * @param  float  $stronger  EC that parts bring to the water that is there, mS/cm
     * @param  float  $topUp  litres
     * @param  float  $topUpShare  of the strength of a fill: 0 is water alone
     * @param  bool  $settled  whether the turn of the stage is seen to, so that nothing need be stirred in for it any more
     * @param  bool  $misses  whether a change was due and is forgotten
     */
    public function __construct(
        public bool $change = false,
        public float $stronger = 0.0,
        public float $topUp = 0.0,
        public float $topUpShare = 0.0,
        public bool $settled = false,
        public bool $misses = false,
    ) {
    }

    /** Nobody comes. */
    public static function none(): self
    {
        return new self;
    }
}
