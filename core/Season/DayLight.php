<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\Crop;

/**
 * How much of its light a crop gets on a day: by the hours, or by the day's light where a lamp, a window or the sky's sun gives it.
 *
 * Source: handbook, rules section 6 (lamp, daylight) and season (light).
 */
final readonly class DayLight
{
    /** † out of doors: on a day without sun, and with each hour of it, mol/m². */
    private const SKY_MOL = 3.0;

    private const SUN_HOUR_MOL = 4.0;

    /** The day on which it is lightest, and the days of a year. */
    private const MIDSUMMER = 172;

    private const DAYS_A_YEAR = 365;

    /**
     * @param  float|null  $lamp  mol/m² a day; null where there is none
     * @param  float|null  $window  mol/m² a day at midsummer; null where plants stand at none
     * @param  bool  $south  of the equator
     * @param  float|null  $sky  share of the light out of doors that reaches the leaves; null in a room
     */
    public function __construct(
        private ?float $lamp = null,
        private ?float $window = null,
        private bool $south = false,
        private ?float $sky = null,
    ) {
    }

    /**
     * The day's light, mol/m²; null where it is judged by hours.
     *
     * @param  int|null  $dayOfYear  1 on the first of January; null where days have no date: then as at the equinox
     */
    public function mol(WeatherDay $day, ?int $dayOfYear): ?float
    {
        $sun = $this->sky === null || $day->sunHours === null ? null : $this->sky * (self::SKY_MOL + self::SUN_HOUR_MOL * $day->sunHours);
        if ($this->lamp === null && $this->window === null && $sun === null) {
            return null;
        }

        return ($this->lamp ?? 0.0) + ($sun ?? 0.0) + ($this->window ?? 0.0) * self::ofMidsummer($dayOfYear, $this->south);
    }

    /** Of a crop's light as much as there is. */
    public function share(Crop $crop, WeatherDay $day, ?int $dayOfYear): float
    {
        $mol = $this->mol($day, $dayOfYear);

        return $mol === null ? $day->lightHours / $crop->lightHours : $mol / $crop->lightMolDay;
    }

    /** Whether the time of the year makes a difference. */
    public function goesByDate(): bool
    {
        return $this->window !== null;
    }

    /** Daylight over that at midsummer: a third of it at midwinter, between by the cosine of the year. */
    public static function ofMidsummer(?int $dayOfYear, bool $south): float
    {
        $swing = $dayOfYear === null ? 0.0 : cos(2 * M_PI * ($dayOfYear - self::MIDSUMMER) / self::DAYS_A_YEAR) / 3;

        return 2 / 3 + ($south ? -$swing : $swing);
    }
}
