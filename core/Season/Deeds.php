<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** What somebody does with a tub at once, in this order: strengthening, then a change of all its water or else a top-up. */
final readonly class Deeds
{
    /**
     * @param  float  $stronger  EC that parts bring to the water that is there, mS/cm
     * @param  float  $topUp  litres
     * @param  float  $topUpShare  of the strength of a fill: 0 is water alone
     * @param  bool  $settled  whether the turn of the stage is seen to, so that nothing need be stirred in for it any more
     * @param  bool  $misses  whether a change was due and is forgotten
     * @param  float|null  $topUpEc  EC of what is poured in, where somebody has read it: it counts and the share does not, mS/cm
     * @param  float  $salt  that parts bring to the water that is there, mS/cm × L
     * @param  Found|null  $found  what a reading found before anything was done; null where none was taken
     */
    public function __construct(
        public bool $change = false,
        public float $stronger = 0.0,
        public float $topUp = 0.0,
        public float $topUpShare = 0.0,
        public bool $settled = false,
        public bool $misses = false,
        public ?float $topUpEc = null,
        public ?Found $found = null,
        public float $salt = 0.0,
    ) {
    }

    /** Nobody comes. */
    public static function none(): self
    {
        return new self;
    }

    /** Whether water or feed is put in. */
    public function areWet(): bool
    {
        return $this->change || $this->topUp > 0.0 || $this->stronger > 0.0 || $this->salt > 0.0;
    }
}
