<?php

declare(strict_types=1);

namespace KelpTub\Core\Geometry;

/** A position on the lid in mm from its centre: x to the right, y away from the grower. */
final readonly class Point
{
    public function __construct(public float $x, public float $y)
    {
    }

    public function distanceTo(self $other): float
    {
        return hypot($this->x - $other->x, $this->y - $other->y);
    }
}
