<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** So many plants of one crop. */
final readonly class CropShare
{
    public function __construct(public Crop $crop, public int $plants)
    {
    }
}
