<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Water put in on a day after transplanting, litres. */
final readonly class TopUp
{
    public function __construct(public float $day, public float $litres)
    {
    }
}
