<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** How a tub stands at the end of a day, its events done. Litres, mS/cm and mS/cm × L, °C. */
final readonly class SeasonDay
{
    /**
     * @param  float  $uptake  salt that the plants took, mS/cm × L
     * @param  float|null  $topUpEc  null where nothing was poured in
     * @param  float|null  $salt  in all, mS/cm × L; null where the feed's EC is not known
     */
    public function __construct(
        public int $day,
        public float $use,
        public ?float $uptake,
        public float $rain,
        public float $spill,
        public float $topUp,
        public ?float $topUpEc,
        public bool $change,
        public float $volume,
        public ?float $salt,
        public float $water,
    ) {
    }

    /** EC in mS/cm; null where it is not known, or nothing is left to have one. */
    public function ec(): ?float
    {
        return $this->salt === null || $this->volume <= 0.0 ? null : $this->salt / $this->volume;
    }

    public function isVisited(): bool
    {
        return $this->change || $this->topUp > 0.0;
    }
}
