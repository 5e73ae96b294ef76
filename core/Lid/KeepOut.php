<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Vessel\CrossSection;

/** A part of the lid that cups stay clear of: a latch, a handle, a moulded panel, a rib. Centre and outline in mm. */
final readonly class KeepOut
{
    /** A cup's lip stays at least this far from it, mm. */
    public const CLEAR_MM = 5.0;

    private RoundedBox $box;

    public function __construct(public float $x, public float $y, public CrossSection $section)
    {
        $this->box = RoundedBox::of($section);
    }

    /** Distance from a point to the keep-out in mm, negative inside it. */
    public function distanceTo(float $x, float $y): float
    {
        return -$this->box->clearance($x - $this->x, $y - $this->y);
    }
}
