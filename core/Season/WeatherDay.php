<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** A day's weather where a tub stands: °C, %, hours of light, hours of sun, mm of rain. */
final readonly class WeatherDay
{
    /** @param  float|null  $sunHours  null where the sun does not tell */
    public function __construct(
        public float $air,
        public float $humidity,
        public float $lightHours,
        public ?float $sunHours = null,
        public float $rain = 0.0,
    ) {
    }

    /** The same with air so much warmer, and under clouds that leave so many hours of light where they are given. */
    public function changed(float $warmer, ?float $lightHours): self
    {
        return new self(
            $this->air + $warmer,
            $this->humidity,
            $lightHours ?? $this->lightHours,
            $lightHours === null || $this->sunHours === null ? $this->sunHours : 0.0,
            $this->rain,
        );
    }

    /** The same as a room sees it: lit by lamps for so many hours, or as the sky has it; no sun. */
    public function inRoom(?float $lightHours): self
    {
        return new self($this->air, $this->humidity, $lightHours ?? $this->lightHours, null, $this->rain);
    }
}
