<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Where days of a climate come from. */
interface WeatherSource
{
    /** The days from a date on; null where there are none to be had, and the site's own figures have to do. */
    public function from(WeatherClimate $climate, int $seed, string $start): ?Weather;
}
