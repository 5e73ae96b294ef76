<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** A tub as it was read, and what follows from it by itself. */
final readonly class KnownTub
{
    public function __construct(public Tub $tub, public object $plan)
    {
    }
}
