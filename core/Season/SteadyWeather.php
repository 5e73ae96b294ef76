<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** The site's own figures every day, and no rain. */
final readonly class SteadyWeather implements Weather
{
    public function __construct(private WeatherDay $always)
    {
    }

    public function on(int $day): WeatherDay
    {
        return $this->always;
    }

    public function isSteady(): bool
    {
        return true;
    }

    public function print(): string
    {
        return serialize($this->always);
    }

    public function dayOfYear(int $day): ?int
    {
        return null;
    }
}
