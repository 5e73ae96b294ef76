<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** A crop that is to grow in a tub, and how many plants of it; null for an even share of the places that are left. */
final readonly class CropWish
{
    public function __construct(public Crop $crop, public ?int $plants)
    {
    }
}
