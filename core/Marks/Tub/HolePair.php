<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

/** Two holes by their numbers, their distance in mm, and a figure of them. */
final readonly class HolePair
{
    public function __construct(public float $figure, public float $distance, public int $hole, public int $other)
    {
    }
}
