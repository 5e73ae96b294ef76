<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** The air into one tub (L/min) and the oxygen balance it makes; a passive tub has no balance, only a saturation (mg/L). */
final readonly class TubAir
{
    public function __construct(public float $flow, public float $saturation, public ?OxygenBalance $balance)
    {
    }
}
