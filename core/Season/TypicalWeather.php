<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use DateTimeImmutable;

/**
 * Made-up days of a climate from a date on. Each calendar year has a stream of its own, so that a date has its weather whenever one begins.
 *
 * Source: handbook, season (weather by date).
 */
final class TypicalWeather implements Weather
{
    private readonly DateTimeImmutable $start;

    /** @var array<int, WeatherYear> by year */
    private array $years = [];

    /** @var array<int, WeatherDay> as far as they were asked for */
    private array $days = [];

    public function __construct(private readonly WeatherClimate $climate, private readonly int $seed, string $start)
    {
        $this->start = new DateTimeImmutable($start.' 12:00:00 UTC');
    }

    public function isSteady(): bool
    {
        return false;
    }

    public function on(int $day): WeatherDay
    {
        return $this->days[$day] ??= $this->drawn($day);
    }

    private function drawn(int $day): WeatherDay
    {
        $date = $this->start->modify("+$day days");
        $year = (int) $date->format('Y');
        $this->years[$year] ??= new WeatherYear($this->climate, $this->seed, $year);

        return $this->years[$year]->on((int) $date->format('z'));
    }

    public function print(): string
    {
        return "typical {$this->climate->key} $this->seed {$this->start->format('Y-m-d')}";
    }

    public function dayOfYear(int $day): int
    {
        return (int) $this->start->modify("+$day days")->format('z') + 1;
    }
}
