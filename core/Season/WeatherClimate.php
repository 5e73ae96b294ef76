<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** A climate by its months, January first: means and spreads of temperature (°C), humidity (%), sun (h), days and mm of rain. */
final readonly class WeatherClimate
{
    /**
     * @param  list<float>  $air
     * @param  list<float>  $airSpread
     * @param  list<float>  $humidity
     * @param  list<float>  $humiditySpread
     * @param  list<float>  $sun
     * @param  list<float>  $rainDays  in the month
     * @param  list<float>  $rainMm  on a day of rain
     */
    public function __construct(
        public string $key,
        public string $name,
        public array $air,
        public array $airSpread,
        public array $humidity,
        public array $humiditySpread,
        public array $sun,
        public array $rainDays,
        public array $rainMm,
    ) {
    }

    /**
     * A figure on a day of the year, straight between the middles of the months.
     *
     * @param  list<float>  $months
     * @param  float  $at  months from the start of January, 0 to 12
     */
    public static function between(array $months, float $at): float
    {
        $middle = $at - 0.5;
        $before = (int) floor($middle);
        $share = $middle - $before;

        return $months[($before + 12) % 12] * (1 - $share) + $months[($before + 13) % 12] * $share;
    }
}
