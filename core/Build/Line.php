<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

use KelpTub\Core\Geometry\Point;

/** A straight line of a template, mm. */
final readonly class Line
{
    public function __construct(public Layer $layer, public Point $from, public Point $to, public bool $dashed = false)
    {
    }
}
