<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

use KelpTub\Core\Geometry\Point;

/** A round line of a template: counter-clockwise from one angle to another, degrees from the right; a whole circle from 0 to 360. Mm. */
final readonly class Arc
{
    public function __construct(
        public Layer $layer,
        public Point $centre,
        public float $radius,
        public float $from = 0.0,
        public float $to = 360.0,
        public bool $dashed = false,
    ) {
    }

    public function isCircle(): bool
    {
        return $this->to - $this->from >= 360.0;
    }

    public function at(float $degrees): Point
    {
        return new Point(
            $this->centre->x + $this->radius * cos(deg2rad($degrees)),
            $this->centre->y + $this->radius * sin(deg2rad($degrees)),
        );
    }
}
