<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** A tube from a pump to a tub: the way along the ground in mm, and how far its valve is open (0 … 1). */
final readonly class Branch
{
    public function __construct(public string $tub, public float $distance, public float $valve)
    {
    }
}
