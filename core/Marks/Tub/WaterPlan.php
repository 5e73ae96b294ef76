<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\TubWaterUse;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\TubWater;
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

    /** Litres of the first fill. */
    public function start(): float
    {
        return $this->line->start === $this->line->grown ? $this->working : $this->reservoir->litresAt($this->line->start);
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

    /** Litres between a level and the water line. */
    public function above(float $level): float
    {
        return max(0.0, $this->working - $this->reservoir->litresAt($level));
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
