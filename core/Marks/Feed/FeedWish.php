<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Feed\PhSchool;
use KelpTub\Core\Feed\Strength;

/** A feed of the garden as the grower mixes it. */
final readonly class FeedWish
{
    /**
     * @param  float  $peroxide  mg/L; 0 for none
     * @param  float  $peroxidePercent  of the bottle
     * @param  bool  $emptyTub  whether feed goes into the empty tub and the hose mixes it
     * @param  float|null  $aim  the same EC all through, mS/cm; null where the strength goes by the stage or the label
     */
    public function __construct(
        public int $index,
        public string $id,
        public FeedProduct $product,
        public Strength $strength,
        public PhSchool $ph,
        public float $peroxide,
        public float $peroxidePercent,
        public bool $emptyTub,
        public ?float $aim = null,
    ) {
    }

    public function pointer(string $rest = ''): string
    {
        return "/feeds/$this->index$rest";
    }
}
