<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\Neighbours;

/** What grows in the holes, and how many plants the tub carries. */
final readonly class PlantsPlan
{
    /**
     * @param  list<Crop|null>  $cropAt  what grows in each hole
     * @param  int  $count  cups that are planted
     * @param  Neighbours|null  $closest  the two that lack most of the room they want
     * @param  float  $climate  how much faster or slower plants drink here than in the reference room
     * @param  float  $pebbles  litres in all cups
     */
    public function __construct(
        public array $cropAt,
        public CropMix $mix,
        public Capacity $capacity,
        public int $count,
        public ?Neighbours $closest,
        public float $climate,
        public float $pebbles,
    ) {
    }
}
