<?php

declare(strict_types=1);

namespace KelpTub\Core\Geometry;

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

    public function area(): float
    {
        return 4 * $this->halfX * $this->halfY - (4 - M_PI) * $this->radius ** 2;
    }

    public function perimeter(): float
    {
        return 4 * ($this->halfX + $this->halfY) - (8 - 2 * M_PI) * $this->radius;
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

    /**
     * The nearest point of the box to a point, which is the point itself where it lies inside.
     *
     * @return array{float, float}
     */
    public function nearest(float $x, float $y): array
    {
        [$flatX, $flatY] = [$this->halfX - $this->radius, $this->halfY - $this->radius];
        [$ax, $ay] = [abs($x), abs($y)];
        if ($ax > $flatX && $ay > $flatY && $this->radius > 0.0) {
            [$dx, $dy] = [$ax - $flatX, $ay - $flatY];
            $d = hypot($dx, $dy);
            if ($d > $this->radius) {
                [$ax, $ay] = [$flatX + $dx * $this->radius / $d, $flatY + $dy * $this->radius / $d];
            }
        } else {
            [$ax, $ay] = [min($ax, $this->halfX), min($ay, $this->halfY)];
        }

        return [$x < 0.0 ? -$ax : $ax, $y < 0.0 ? -$ay : $ay];
    }

    /**
     * The edge as seen from a point near it: for each flat or round piece that may bind, its distance (positive inside) and the direction
     * in which that distance grows. A point in a square corner sees two pieces.
     *
     * @return list<array{float, float, float}>
     */
    public function pieces(float $x, float $y): array
    {
        [$flatX, $flatY] = [$this->halfX - $this->radius, $this->halfY - $this->radius];
        [$ax, $ay] = [abs($x), abs($y)];
        [$sx, $sy] = [$x < 0.0 ? -1.0 : 1.0, $y < 0.0 ? -1.0 : 1.0];
        if ($this->radius > 0.0 && $ax > $flatX && $ay > $flatY) {
            [$dx, $dy] = [$ax - $flatX, $ay - $flatY];
            $d = max(1.0e-12, hypot($dx, $dy));

            return [[$this->radius - $d, -$sx * $dx / $d, -$sy * $dy / $d]];
        }

        return [[$this->halfX - $ax, -$sx, 0.0], [$this->halfY - $ay, 0.0, -$sy]];
    }

    /** Whether all of another box lies in this one: the four discs at its corners span it. */
    public function contains(self $other): bool
    {
        return $this->roomFor($other) >= 0.0;
    }

    /** How far another box, in its middle, stays off its outline where it comes nearest, mm; negative where it does not go in. */
    public function roomFor(self $other): float
    {
        return min(
            $this->halfX - $other->halfX,
            $this->halfY - $other->halfY,
            $this->clearance($other->halfX - $other->radius, $other->halfY - $other->radius) - $other->radius,
        );
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
