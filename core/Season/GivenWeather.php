<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Days as somebody else forecasts them; after the last of them they begin anew. */
final readonly class GivenWeather implements Weather
{
    /**
     * @param  non-empty-list<WeatherDay>  $days
     * @param  float|null  $lightHours  of lamps, in place of the day's own
     */
    public function __construct(private array $days, private ?float $lightHours = null)
    {
    }

    public function on(int $day): WeatherDay
    {
        $on = $this->days[$day % count($this->days)];

        return $this->lightHours === null ? $on : $on->changed(0.0, $this->lightHours);
    }

    public function isSteady(): bool
    {
        return false;
    }
}
