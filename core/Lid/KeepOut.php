<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\RoundedBox;

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

    /**
     * A point moved straight off the keep-out until it is so far from it; one that is far enough stays.
     *
     * @return array{float, float}
     */
    public function pushedOff(float $x, float $y, float $by): array
    {
        if ($this->distanceTo($x, $y) >= $by) {
            return [$x, $y];
        }
        $outer = $this->box->inset(-$by);
        [$dx, $dy] = [$x - $this->x, $y - $this->y];
        $across = $outer->halfX - abs($dx);
        $along = $outer->halfY - abs($dy);
        if ($across < $along) {
            $dx = ($dx < 0.0 ? -1 : 1) * $outer->halfX;
        } else {
            $dy = ($dy < 0.0 ? -1 : 1) * $outer->halfY;
        }

        return [$this->x + $dx, $this->y + $dy];
    }

    /** Distance from a point to the keep-out in mm, negative inside it. */
    public function distanceTo(float $x, float $y): float
    {
        return -$this->box->clearance($x - $this->x, $y - $this->y);
    }
}
