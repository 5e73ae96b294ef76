<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** A day's weather where a tub stands: °C, %, hours of light, hours of sun, mm of rain. */
final readonly class WeatherDay
{
    public function __construct(
        public float $air,
        public float $humidity,
        public float $lightHours,
        public ?float $sunHours = null,
        public float $rain = 0.0,
    ) {
    }

    /** The same with air so much warmer, and other hours of light where they are given. */
    public function changed(float $warmer, ?float $lightHours): self
    {
        return new self($this->air + $warmer, $this->humidity, $lightHours ?? $this->lightHours, $this->sunHours, $this->rain);
    }
}
