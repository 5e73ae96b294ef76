<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\CrossSection;

/** A lid from above: outline (outside measures), thickness, make, how far its upper face lies above the rim. Lengths in mm. */
final readonly class Lid
{
    public const DEFAULT_THICKNESS_MM = 2.5;

    /** One that nobody measured is taken to lie so far over the rim's inside all round. */
    public const OVER_RIM_MM = 10.0;

    /**
     * @param  list<KeepOut>  $keepOuts
     * @param  list<Panel>  $panels  flat parts between the ridges of a moulded lid
     */
    public function __construct(
        public CrossSection $outline,
        public float $thickness,
        public LidMake $make,
        public float $topAboveRim,
        public array $keepOuts,
        public array $panels = [],
    ) {
    }

    public static function overMouth(CrossSection $mouth): self
    {
        return new self($mouth, self::DEFAULT_THICKNESS_MM, LidMake::Plain, 0.0, []);
    }

    /** The longest way across the lid, mm: its diameter, or its longer side. */
    public function across(): float
    {
        return max($this->outline->length, $this->outline->width);
    }
}
