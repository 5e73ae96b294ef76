<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/** A known fill: all the litres poured so far and the depth they reached, in mm. */
final readonly class Fill
{
    public function __construct(public float $litres, public float $depth)
    {
    }
}
