<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** A floating board as the grower wants it cut: thickness, gap to the walls all round, and how far below the rim it floats at first. mm. */
final readonly class RaftWish
{
    public function __construct(public float $thickness, public float $gap, public float $belowRim)
    {
    }
}
