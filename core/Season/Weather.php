<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Days of weather from transplanting on. */
interface Weather
{
    public function on(int $day): WeatherDay;

    /** Whether every day is the same. */
    public function isSteady(): bool;

    /** What tells its days from those of another weather. */
    public function print(): string;

    /** The day of the year, 1 on the first of January; null where days have no date. */
    public function dayOfYear(int $day): ?int;
}
