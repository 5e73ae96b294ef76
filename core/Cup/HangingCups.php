<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/** Cups alike that hang in one lid, with their bottoms at a height above the inside floor, mm. */
final readonly class HangingCups
{
    public function __construct(public Cup $cup, public int $count, public float $bottom)
    {
    }
}
