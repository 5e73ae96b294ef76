<?php

declare(strict_types=1);

namespace App\Weather;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Http\Client\Factory;
use KelpTub\Core\Season\GivenWeather;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\Weather;
use KelpTub\Core\Season\WeatherClimate;
use KelpTub\Core\Season\WeatherDay;
use KelpTub\Core\Season\WeatherSource;
use Throwable;

/**
 * Days of weather from a forecast service, over HTTP. One that is slow, down or talks nonsense does not hold anybody up: then the last good
 * forecast counts, with its age, and where there is none the site's own steady figures.
 */
final class ForecastService implements WeatherSource
{
    /** As many as a season may have. */
    private const DAYS = Season::MOST_DAYS;

    private const SECONDS = 2;

    /** After a failure it is left alone for so long, s. */
    private const PAUSE_S = 30;

    /** Days younger than this are not asked for again, s. */
    private const FRESH_S = 3600;

    private const AN_HOUR_S = 3600;

    /** What a day has, and between what it lies on this earth. */
    private const BOUNDS = [
        'air_c' => [-60, 60],
        'humidity_pct' => [0, 100],
        'light_h' => [0, 24],
        'sun_h' => [0, 24],
        'rain_mm' => [0, 2000],
    ];

    /** Where the last days came from: `service`, `kept`, `steady`; null where none were asked for. */
    public ?string $from = null;

    /** Hours since they were fetched. */
    public ?float $ageHours = null;

    public function __construct(private readonly Factory $http, private readonly Repository $kept, private readonly string $address)
    {
    }

    public function from(WeatherClimate $climate, int $seed, string $start): ?Weather
    {
        $key = "by date $climate->key $seed $start";
        $last = $this->kept->get($key);
        $known = is_array($last) ? self::read($last['days'] ?? null) : null;
        $age = $known === null ? INF : time() - (int) $last['at'];
        $days = $age < self::FRESH_S ? $known : $this->asked($climate->key, $seed, $start);
        if ($days !== null && $days !== $known) {
            $this->kept->forever($key, ['at' => time(), 'days' => $days]);
            $age = 0;
        }
        $this->from = $days !== null ? 'service' : ($known === null ? 'steady' : 'kept');
        $days ??= $known;
        $this->ageHours = $days === null ? null : $age / self::AN_HOUR_S;

        return $days === null ? null : new GivenWeather(array_map(self::day(...), $days), $start);
    }

    /** @return non-empty-list<array<string, int|float>>|null null where it does not answer, or not in days of weather */
    private function asked(string $climate, int $seed, string $start): ?array
    {
        if ($this->kept->get('pause') !== null) {
            return null;
        }
        try {
            $answer = $this->http->connectTimeout(1)->timeout(self::SECONDS)->acceptJson()->get($this->address, [
                'climate' => $climate,
                'seed' => $seed,
                'start' => $start,
                'days' => self::DAYS,
            ]);
            $days = $answer->successful() ? self::read($answer->json('days')) : null;
        } catch (Throwable) {
            $days = null;
        }
        if ($days === null) {
            $this->kept->put('pause', true, self::PAUSE_S);
        }

        return $days;
    }

    /** @return non-empty-list<array<string, int|float>>|null null where they are no days of any weather on this earth */
    private static function read(mixed $days): ?array
    {
        if (! is_array($days) || $days === [] || ! array_is_list($days) || count($days) > 2 * self::DAYS) {
            return null;
        }
        foreach ($days as $day) {
            foreach (self::BOUNDS as $figure => [$least, $most]) {
                $value = is_array($day) ? ($day[$figure] ?? null) : null;
                if ((! is_int($value) && ! is_float($value)) || $value < $least || $value > $most) {
                    return null;
                }
            }
        }

        /** @var non-empty-list<array<string, int|float>> $days as it was looked at */
        return $days;
    }

    /** @param  array<string, int|float>  $day */
    private static function day(array $day): WeatherDay
    {
        return new WeatherDay(
            (float) $day['air_c'],
            (float) $day['humidity_pct'],
            (float) $day['light_h'],
            (float) $day['sun_h'],
            (float) $day['rain_mm'],
        );
    }
}
