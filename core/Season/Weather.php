<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Days of weather from transplanting on. */
interface Weather
{
    public function on(int $day): WeatherDay;

    /** Whether every day is the same. */
    public function isSteady(): bool;
}
