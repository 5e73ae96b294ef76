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
    ) {
    }

    /** Litres from the start to a day that all plants drink. */
    public function drunkUntil(float $day): float
    {
        $litres = 0.0;
        foreach ($this->draws as $draw) {
            $litres += $draw->until($day);
        }

        return $litres;
    }

    public function days(): int
    {
        return (int) ceil($this->lastDay - 1.0e-9);
    }

    /** The same tub looked after otherwise. */
    public function under(Policy $policy): self
    {
        return new self(...[...get_object_vars($this), 'policy' => $policy]);
    }
}
