<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** What a reading found of a tub's water: litres, EC in mS/cm, °C, pH. Null where it was not read. */
final readonly class Found
{
    public function __construct(
        public ?float $litres = null,
        public ?float $ec = null,
        public ?float $celsius = null,
        public ?float $ph = null,
    ) {
    }

    /** What two readings found, the later one counting. */
    public function then(self $later): self
    {
        return new self(
            $later->litres ?? $this->litres,
            $later->ec ?? $this->ec,
            $later->celsius ?? $this->celsius,
            $later->ph ?? $this->ph,
        );
    }

    /** A state as it was found; what was not read stays as it was reckoned. */
    public function of(SeasonState $state): SeasonState
    {
        return $state->asRead($this->litres, $this->ec, $this->celsius, $this->ph);
    }
}
