<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/**
 * How much one tub's plants drink from transplanting on. Litres and days.
 *
 * With x = day / days to harvest the share used is `F(x) = (f(x) − f(0))/(f(1) − f(0))`, `f(y) = ln(1 + e^((y − 0.55)/0.15))`.
 * After the first harvest repeat crops go on at the rate reached at x = 1. Source: handbook, rules section 6.
 */
final readonly class WaterUse
{
    private const MIDDLE = 0.55;

    private const SPREAD = 0.15;

    /** f(0) and f(1) − f(0): the same for every plant, and asked for on every day. */
    private const AT_START = 0.025240299856957232;

    private const RISE = 3.0233470517167849;

    /** Slope of F at x = 1: so many times the mean daily use is drunk on the day of the first harvest. */
    public const PEAK = 2.1004846847503473;

    /** Days from transplanting, or what stands for it, to the first harvest. */
    private float $growing;

    /**
     * @param  float  $toHarvest  litres all plants of the tub drink to the first harvest, climate included
     * @param  float  $harvestDay  days from the tub's start to the first harvest
     * @param  float  $lastDay  days from the tub's start to the last harvest
     * @param  float  $firstDay  days from the tub's start in which a seed becomes what is transplanted otherwise; nothing is drunk
     */
    public function __construct(public float $toHarvest, public float $harvestDay, public float $lastDay, public float $firstDay = 0.0)
    {
        $this->growing = $harvestDay - $firstDay;
    }

    /** Share of the water to harvest used at x, and of the growth reached; goes on straight beyond 1. */
    public static function share(float $x): float
    {
        return $x > 1.0
            ? 1.0 + ($x - 1.0) * self::PEAK
            : (log(1 + exp((max(0.0, $x) - self::MIDDLE) / self::SPREAD)) - self::AT_START) / self::RISE;
    }

    /** Litres drunk from transplanting to a day. */
    public function until(float $day): float
    {
        return $this->toHarvest * self::share(max(0.0, $day - $this->firstDay) / $this->growing);
    }

    /** Share of its growth that a plant has made by a day; 1 from the first harvest on. */
    public function grown(float $day): float
    {
        return self::share(min(1.0, max(0.0, $day - $this->firstDay) / $this->growing));
    }

    /** The largest daily use, litres a day. */
    public function peakDaily(): float
    {
        return $this->toHarvest / $this->growing * self::PEAK;
    }

    /** The fractional day on which use adds up to $litres; null when that is later than the last harvest. */
    public function dayWhenUsed(float $litres): ?float
    {
        if ($this->toHarvest <= 0.0) {
            return null;
        }
        $share = $litres / $this->toHarvest;
        $x = $share > 1.0
            ? 1.0 + ($share - 1.0) / self::PEAK
            : self::inverse($share);
        $day = $this->firstDay + $x * $this->growing;

        return $day > $this->lastDay ? null : $day;
    }

    /** x for a share between 0 and 1, by inverting f. */
    private static function inverse(float $share): float
    {
        if ($share <= 0.0) {
            return 0.0;
        }
        $f = self::AT_START + $share * self::RISE;

        return self::MIDDLE + self::SPREAD * log(exp($f) - 1);
    }
}
