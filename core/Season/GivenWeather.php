<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use DateTimeImmutable;

/** Days as somebody else forecasts them; after the last of them they begin anew. */
final readonly class GivenWeather implements Weather
{
    private DateTimeImmutable $start;

    private string $print;

    /**
     * @param  non-empty-list<WeatherDay>  $days
     * @param  string  $start  date of the first of them
     */
    public function __construct(private array $days, string $start)
    {
        $this->start = new DateTimeImmutable($start.' 12:00:00 UTC');
        $this->print = hash('xxh128', serialize([$start, $days]));
    }

    public function on(int $day): WeatherDay
    {
        return $this->days[$day % count($this->days)];
    }

    public function isSteady(): bool
    {
        return false;
    }

    public function print(): string
    {
        return $this->print;
    }

    public function dayOfYear(int $day): int
    {
        return (int) $this->start->modify("+$day days")->format('z') + 1;
    }
}
