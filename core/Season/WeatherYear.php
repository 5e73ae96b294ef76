<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Made-up days of a climate in one calendar year: temperatures and humidity drift by a first-order autoregression about the month's means,
 * rain comes by a chain of wet and dry days. The year begins dry, neither warm nor damp. The same seed gives the same days on every
 * machine: chance is drawn in whole numbers and added up, with no function whose last digit a machine might round its own way.
 *
 * Source: C. W. Richardson, "Stochastic simulation of daily precipitation, temperature, and solar radiation", Water Resources Research
 * 17 (1981), for the shape; the figures are made up.
 */
final class WeatherYear
{
    /** † how much of a day's departure from the mean is left on the next. */
    private const PERSISTENCE = 0.65;

    /** √(1 − 0.65²): what chance adds, so that the spread stays. */
    private const INNOVATION = 0.759934207678533;

    /** † how likelier rain is after a wet day, of what is not yet sure. */
    private const WET_CLINGS = 0.35;

    /** † wet days are so much damper, %, and have this share of the sun. */
    private const WET_DAMPER = 12.0;

    private const WET_SUN = 0.35;

    /** † and are so much cooler where it is warm, °C. */
    private const WET_COOLER = 1.5;

    private const DAYS_A_MONTH = 30.4375;

    private const MONTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

    /** From the stream of one year to that of the next, and how many streams there are. */
    private const A_YEAR_ON = 7919;

    private const SEEDS = 2 ** 32;

    private const DRAWS = 12;

    private const FINE = 1_000_000;

    private readonly Randomizer $chance;

    /** @var list<WeatherDay> */
    private array $days = [];

    private float $warmth = 0.0;

    private float $damp = 0.0;

    private bool $wet = false;

    /** @param  int  $year  in the calendar */
    public function __construct(private readonly WeatherClimate $climate, int $seed, private readonly int $year)
    {
        $this->chance = new Randomizer(new Mt19937(($seed + self::A_YEAR_ON * $year) % self::SEEDS));
    }

    /** @param  int  $dayOfYear  0 on the first of January */
    public function on(int $dayOfYear): WeatherDay
    {
        while (count($this->days) <= $dayOfYear) {
            $this->days[] = $this->next(count($this->days));
        }

        return $this->days[$dayOfYear];
    }

    private function next(int $dayOfYear): WeatherDay
    {
        [$month, $dayOfMonth, $days] = $this->inMonth($dayOfYear);
        $at = $month + ($dayOfMonth + 0.5) / $days;
        $of = fn (string $figure): float => WeatherClimate::between($this->climate->{$figure}, $at);
        $rainDays = min(0.95, $of('rainDays') / self::DAYS_A_MONTH);
        $likely = $this->wet ? $rainDays + self::WET_CLINGS * (1 - $rainDays) : $rainDays * (1 - self::WET_CLINGS);
        $this->wet = $this->evenly() < $likely;
        $this->warmth = self::PERSISTENCE * $this->warmth + self::INNOVATION * $this->normal();
        $this->damp = self::PERSISTENCE * $this->damp + self::INNOVATION * $this->normal();
        // Heavy days are rarer than light ones: two draws multiplied, with the month's amount as their mean.
        $amount = 4 * $this->evenly() * $this->evenly();
        $sun = min(16.0, $of('sun') * ($this->wet ? self::WET_SUN : 1.15) * (0.7 + 0.6 * $this->evenly()));

        return new WeatherDay(
            round($of('air') + $of('airSpread') * $this->warmth - ($this->wet ? self::WET_COOLER : 0.0), 2),
            round(
                max(15.0, min(98.0, $of('humidity') + $of('humiditySpread') * $this->damp
                    + ($this->wet ? self::WET_DAMPER : 0.0))),
                1,
            ),
            round(max(8.0, min(18.0, 9.0 + 0.75 * $sun)), 2),
            round($sun, 2),
            $this->wet ? round($amount * $of('rainMm'), 2) : 0.0,
        );
    }

    /** @return array{int, int, int} month from 0, day of it from 0, and its days */
    private function inMonth(int $dayOfYear): array
    {
        $leap = $this->year % 4 === 0 && ($this->year % 100 !== 0 || $this->year % 400 === 0);
        foreach (self::MONTHS as $month => $days) {
            $days += $month === 1 && $leap ? 1 : 0;
            if ($dayOfYear < $days) {
                return [$month, $dayOfYear, $days];
            }
            $dayOfYear -= $days;
        }

        return [11, 30, 31];
    }

    /** From 0 to 1. */
    private function evenly(): float
    {
        return $this->chance->getInt(0, self::FINE) / self::FINE;
    }

    /** About normal, of mean 0 and spread 1: twelve even draws less six. */
    private function normal(): float
    {
        $sum = 0;
        for ($i = 0; $i < self::DRAWS; $i++) {
            $sum += $this->chance->getInt(0, self::FINE);
        }

        return $sum / self::FINE - self::DRAWS / 2;
    }
}
