<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** A day of a season as it went, and how the tub stands at its end. Litres, mS/cm and mS/cm × L, mm, mg/L, °C. */
final readonly class SeasonDay
{
    /**
     * @param  float  $thirst  what is drunk where there is enough
     * @param  float|null  $uptake  salt that the plants took, mS/cm × L; null where the feed's EC is not known
     * @param  float  $stronger  salt that parts brought without water, mS/cm × L
     * @param  float|null  $topUpEc  null where nothing was poured in
     * @param  float|null  $oxygen  in the evening, or as low as a power cut brings it; null of a passive tub, or a dry one
     * @param  array<int, float|null>  $fares  how well each stand fared, 0 to 1; null of one that is cleared or dead
     */
    public function __construct(
        public int $day,
        public float $thirst,
        public float $use,
        public ?float $uptake,
        public float $stronger,
        public float $rain,
        public float $spill,
        public float $topUp,
        public ?float $topUpEc,
        public bool $change,
        public float $level,
        public ?float $oxygen,
        public array $fares,
        public SeasonState $after,
    ) {
    }

    public function volume(): float
    {
        return $this->after->volume;
    }

    /** EC in mS/cm; null where it is not known, or nothing is left to have one. */
    public function ec(): ?float
    {
        return $this->after->ec();
    }

    public function water(): float
    {
        return $this->after->water;
    }

    /** @return array<int, bool> whether each stand has lived through the day: it was not cleared before, and did not die on it */
    public function living(): array
    {
        return array_map(fn (?float $fare, ?int $died): bool => $fare !== null && $died === null, $this->fares, $this->after->died);
    }

    /** How well the worst of the stands fared; null where none is living. */
    public function fare(): ?float
    {
        $fares = array_filter($this->fares, static fn (?float $fare): bool => $fare !== null);

        return $fares === [] ? null : min($fares);
    }

    public function isVisited(): bool
    {
        return $this->change || $this->topUp > 0.0 || $this->stronger > 0.0;
    }
}
