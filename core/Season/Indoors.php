<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** The weather of a climate as a room has it: its air and its damp, light by the hours of lamps, no sun. */
final readonly class Indoors implements Weather
{
    public function __construct(private Weather $sky, private ?float $lightHours)
    {
    }

    public function on(int $day): WeatherDay
    {
        return $this->sky->on($day)->inRoom($this->lightHours);
    }

    public function isSteady(): bool
    {
        return $this->sky->isSteady();
    }

    public function print(): string
    {
        return "in a room lit for $this->lightHours h {$this->sky->print()}";
    }

    public function dayOfYear(int $day): ?int
    {
        return $this->sky->dayOfYear($day);
    }
}
