<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\StartedFrom;

/** What is to grow in a tub, and in what. */
final readonly class TubPlanting
{
    /**
     * @param  list<CropWish>  $crops  none, one, or several that share the water
     * @param  int|null  $plants  how many of the cups are planted; null for all
     * @param  bool  $pebbles  whether the cups are filled with clay pebbles
     */
    public function __construct(
        public array $crops,
        public ?int $plants,
        public Density $density,
        public Plug $plug,
        public bool $pebbles,
        public bool $trellis,
        public StartedFrom $started,
    ) {
    }

    /** So many places dealt out to the crops, as far as they are planted. */
    public function mix(int $places): CropMix
    {
        return CropMix::of($this->crops, $this->density, min($this->plants ?? $places, $places));
    }
}
