<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

use KelpTub\Core\Geometry\CrossSection;

/** A cross-section measured at a height above the vessel's inside floor, in mm. */
final readonly class Station
{
    public function __construct(public float $height, public CrossSection $section)
    {
    }
}
