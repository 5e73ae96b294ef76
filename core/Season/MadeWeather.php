<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Made up here and now, always the same for the same seed. */
final readonly class MadeWeather implements WeatherSource
{
    public function from(WeatherClimate $climate, int $seed, string $start): Weather
    {
        return new TypicalWeather($climate, $seed, $start);
    }
}
