<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** How cuttings sit in a cloner: how far their stems hang out of the cup's bottom (mm), and whether foam collars hold them. */
final readonly class ClonerWish
{
    public function __construct(public float $stemBelowCup, public bool $collar)
    {
    }
}
