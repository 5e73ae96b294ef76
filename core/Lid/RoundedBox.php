<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Vessel\CrossSection;

/**
 * A rounded rectangle about the lid's centre, by half extents and corner radius in mm; a circle is one whose radius is its half extent.
 *
 * All points a distance i or more inside it are again one: `inset(i)` shortens the half extents by i and the radius by i, not below 0.
 */
final readonly class RoundedBox
{
    public function __construct(public float $halfX, public float $halfY, public float $radius)
    {
    }

    public static function of(CrossSection $section): self
    {
        return new self($section->length / 2, $section->width / 2, $section->cornerRadius);
    }

    public function inset(float $by): self
    {
        return new self($this->halfX - $by, $this->halfY - $by, max(0.0, $this->radius - $by));
    }

    /** Distance from a point to the outline in mm, positive inside. */
    public function clearance(float $x, float $y): float
    {
        $qx = abs($x) - ($this->halfX - $this->radius);
        $qy = abs($y) - ($this->halfY - $this->radius);

        return $this->radius - hypot(max($qx, 0.0), max($qy, 0.0)) - min(max($qx, $qy), 0.0);
    }

    /** Whether all of another box lies in this one: the four discs at its corners span it. */
    public function contains(self $other): bool
    {
        return $this->halfX >= $other->halfX && $this->halfY >= $other->halfY
            && $this->clearance($other->halfX - $other->radius, $other->halfY - $other->radius) >= $other->radius;
    }

    /** The largest y inside at a given x, mm; negative infinity where there is none. */
    public function reachY(float $x): float
    {
        return self::reach(abs($x), $this->halfX, $this->halfY, $this->radius);
    }

    /** The largest x inside at a given y, mm; negative infinity where there is none. */
    public function reachX(float $y): float
    {
        return self::reach(abs($y), $this->halfY, $this->halfX, $this->radius);
    }

    private static function reach(float $along, float $halfAlong, float $halfAcross, float $radius): float
    {
        if ($along > $halfAlong || $halfAcross < 0.0) {
            return -INF;
        }
        $into = $along - ($halfAlong - $radius);

        return $into <= 0.0 ? $halfAcross : $halfAcross - $radius + sqrt(max(0.0, $radius ** 2 - $into ** 2));
    }
}
