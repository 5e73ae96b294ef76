<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\Crop;

/** So many plants of one crop, which stand at a time. */
final readonly class Portion
{
    /** @param  float  $grams  that one of them brings in a week with water, air and room enough, there and then */
    public function __construct(public Crop $crop, public int $plants, public Eat $eat, public float $grams = 0.0)
    {
    }
}
