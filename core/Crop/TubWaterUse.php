<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use KelpTub\Core\Numbers\Crossing;

/**
 * How much all plants of one tub drink from transplanting on, all set out on the same day. Litres and days.
 *
 * A crop that is cleared stops drinking on its last day while others of the tub go on. Source: handbook, rules section 6.
 */
final readonly class TubWaterUse
{
    private const DAY_TOLERANCE = 1.0e-9;

    /** Litres that all of them drink to their first harvests. */
    public float $toHarvest;

    /** The day by which every crop of the tub has come to its first harvest. */
    public float $harvestDay;

    /** The day of the last harvest. */
    public float $lastDay;

    /** @param  non-empty-list<WaterUse>  $crops */
    public function __construct(private array $crops)
    {
        $this->toHarvest = array_sum(array_map(static fn (WaterUse $u): float => $u->toHarvest, $crops));
        $this->harvestDay = max(array_map(static fn (WaterUse $u): float => $u->harvestDay, $crops));
        $this->lastDay = max(array_map(static fn (WaterUse $u): float => $u->lastDay, $crops));
    }

    /** Half-way from transplanting to the first harvest; the days in which seeds become seedlings do not count. */
    public function halfWay(): float
    {
        return (min(array_map(static fn (WaterUse $u): float => $u->firstDay, $this->crops)) + $this->harvestDay) / 2;
    }

    /** Litres drunk from transplanting to a day. */
    public function until(float $day): float
    {
        if (count($this->crops) === 1) {
            return $this->crops[0]->until($day);
        }

        return array_sum(array_map(static fn (WaterUse $u): float => $u->until(min($day, $u->lastDay)), $this->crops));
    }

    /** Not more than this on any day, litres: the sum of each crop's largest daily use. */
    public function peakDaily(): float
    {
        return array_sum(array_map(static fn (WaterUse $u): float => $u->peakDaily(), $this->crops));
    }

    /** The fractional day on which use adds up to $litres; null when that is later than the last harvest. */
    public function dayWhenUsed(float $litres): ?float
    {
        if (count($this->crops) === 1) {
            return $this->crops[0]->dayWhenUsed($litres);
        }
        if ($this->until($this->lastDay) < $litres) {
            return null;
        }

        return Crossing::of(
            fn (float $day): float => $litres - $this->until($day),
            0.0,
            $this->lastDay,
            self::DAY_TOLERANCE * $this->lastDay,
        );
    }
}
