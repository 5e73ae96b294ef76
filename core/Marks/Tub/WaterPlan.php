<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\TubWaterUse;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\TubWater;
use KelpTub\Core\Season\PassiveCourse;
use KelpTub\Core\Season\TopUpHabit;
use KelpTub\Core\Vessel\Reservoir;

/** How a tub's water stands, how much of it there is, and how it goes down. Heights in mm above the inside floor, volumes in litres. */
final readonly class WaterPlan
{
    private float $working;

    /**
     * @param  float  $lowest  the level down to which the water is of use
     * @param  float  $jam  the level at which a raft comes to hang in the walls: no water below it is of use; 0 where there is none
     */
    public function __construct(
        private TubWater $asked,
        public WaterLine $line,
        public Reservoir $reservoir,
        private float $lowest,
        private float $jam,
        public ?TubWaterUse $use,
    ) {
        $this->working = $reservoir->litresAt($line->grown);
    }

    public function working(): float
    {
        return $this->working;
    }

    /** The level down to which the water is of use. */
    public function lowest(): float
    {
        return max($this->lowest, $this->jam);
    }

    public function usable(): float
    {
        return $this->above($this->lowest());
    }

    /** What of the water would be used when it is topped up, did a raft not jam. */
    public function usedAfloat(): float
    {
        return $this->asked->topUps->usedShare() * $this->above($this->lowest);
    }

    /** Litres between a level and the water line. */
    public function above(float $level): float
    {
        return max(0.0, $this->working - $this->reservoir->litresAt($level));
    }

    /** How a passive tub's water goes down with the top-ups that are planned; null without a crop. */
    public function course(): ?PassiveCourse
    {
        return $this->use === null ? null : new PassiveCourse($this->use, $this->working(), $this->usable(), $this->asked->plannedTopUps);
    }

    /** Level on a day, with the top-ups that are planned and no others; null without a crop. */
    public function levelOn(float $day): ?float
    {
        $course = $this->course();

        return $course === null ? null : $this->reservoir->levelFor($course->litresOn($day));
    }

    /** Air between cup and water on such a day; null without a crop. */
    public function gapOn(float $day): ?float
    {
        $level = $this->levelOn($day);

        return $level === null ? null : $this->line->cupBottom - $level;
    }

    /** The top-ups to the first harvest as its school brings them; null without a crop, or where none are due. */
    public function habit(): ?TopUpHabit
    {
        return $this->use === null ? null : TopUpHabit::of($this->use, $this->asked->topUps, $this->working(), $this->usable());
    }

    public function dryDay(): ?float
    {
        return $this->course()?->dryDay();
    }

    /**
     * Days from one top-up to the next when the plants are grown, at the share of the usable water after which the tub's school tops up;
     * without top-ups the days that all of it would last. Null without a crop.
     */
    public function daysBetweenFills(): ?float
    {
        return $this->use === null ? null : $this->asked->topUps->usedShare() * $this->usable() / $this->use->peakDaily();
    }
}
