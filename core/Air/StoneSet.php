<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** The stones of one tub: alike, so many, with their tops at a height above the inside floor in mm. */
final readonly class StoneSet
{
    public function __construct(public Stone $stone, public int $count, public float $height)
    {
    }
}
