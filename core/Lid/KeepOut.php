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

    /** The same with so much more all round: where the middle of a hole may not go. */
    public function grown(float $by): self
    {
        $section = $this->section;

        return new self($this->x, $this->y, $section->round
            ? CrossSection::circle($section->length + 2 * $by)
            : CrossSection::rectangle($section->length + 2 * $by, $section->width + 2 * $by, $section->cornerRadius + $by));
    }

    /**
     * A point moved the shortest way out to the outline; one that is outside stays.
     *
     * @return array{float, float}
     */
    public function pushedOut(float $x, float $y): array
    {
        [$distance, $nx, $ny] = $this->edge($x, $y);

        return $distance >= 0.0 ? [$x, $y] : [$x - $distance * $nx, $y - $distance * $ny];
    }

    /**
     * The nearest piece of its outline: distance, negative inside, and the direction in which it grows.
     *
     * @return array{float, float, float}
     */
    public function edge(float $x, float $y): array
    {
        [$dx, $dy] = [$x - $this->x, $y - $this->y];
        [$sx, $sy] = [$dx < 0.0 ? -1.0 : 1.0, $dy < 0.0 ? -1.0 : 1.0];
        $qx = abs($dx) - ($this->box->halfX - $this->box->radius);
        $qy = abs($dy) - ($this->box->halfY - $this->box->radius);
        if ($qx > 0.0 && $qy > 0.0) {
            $d = hypot($qx, $qy);

            return [$d - $this->box->radius, $sx * $qx / $d, $sy * $qy / $d];
        }

        return $qx > $qy ? [$qx - $this->box->radius, $sx, 0.0] : [$qy - $this->box->radius, 0.0, $sy];
    }

    /** Distance from a point to the keep-out in mm, negative inside it. */
    public function distanceTo(float $x, float $y): float
    {
        return -$this->box->clearance($x - $this->x, $y - $this->y);
    }
}
