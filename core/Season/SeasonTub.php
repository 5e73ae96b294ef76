<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\CropDraw;
use KelpTub\Core\Feed\Mixing;
use KelpTub\Core\Vessel\Reservoir;

/** What a season goes by: one tub as it was planned, filled and planted. Litres, mm, m², °C, days. */
final readonly class SeasonTub
{
    /**
     * @param  float  $fill  working volume at the water line
     * @param  float  $usable  of it, down to the lowest useful level
     * @param  float  $brim  litres at the overflow hole, or at the rim where there is none
     * @param  non-empty-list<CropDraw>  $draws  at the site's climate
     * @param  float  $climate  of the site
     * @param  float  $lastDay  of the last harvest
     * @param  float  $harvestDay  of the first harvest of all
     * @param  Breath|null  $breath  null of a passive tub
     * @param  float|null  $lidArea  on which rain falls; null under a roof
     * @param  float|null  $jam  level at which a raft comes to hang in the walls, mm; null where cups hang in a lid
     * @param  float  $line  the water line at which a raft's cups have their bottom where it is said, mm
     */
    public function __construct(
        public float $fill,
        public float $usable,
        public float $brim,
        public float $cupBottom,
        public Reservoir $reservoir,
        public array $draws,
        public float $climate,
        public float $harvestDay,
        public float $lastDay,
        public Mixing $mixing,
        public Policy $policy,
        public ?Breath $breath,
        public Warmth $warmth,
        public ?float $lidArea,
        private ?float $jam = null,
        private float $line = 0.0,
    ) {
    }

    /** The same with other air. */
    public function breathing(?Breath $breath): self
    {
        return new self(
            $this->fill,
            $this->usable,
            $this->brim,
            $this->cupBottom,
            $this->reservoir,
            $this->draws,
            $this->climate,
            $this->harvestDay,
            $this->lastDay,
            $this->mixing,
            $this->policy,
            $breath,
            $this->warmth,
            $this->lidArea,
            $this->jam,
            $this->line,
        );
    }

    /** Air between cups and water at a level, mm; a raft's cups go down with the water until it jams. */
    public function gapAt(float $level): float
    {
        return $this->cupBottom - ($this->jam === null ? $level : $this->line - max(0.0, $this->jam - $level));
    }

    public function days(): int
    {
        return (int) ceil($this->lastDay - 1.0e-9);
    }
}
