<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

use KelpTub\Core\Geometry\Point;

/** A word or a figure on a template: where it begins, on which line it stands, and how high its letters are, mm. */
final readonly class Label
{
    public function __construct(public Point $at, public string $text, public float $height = 3.5)
    {
    }
}
