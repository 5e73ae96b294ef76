<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** What bears the weight of the garden. */
enum Bearing: string
{
    case Ground = 'ground';
    case Upper = 'upper';
    case Balcony = 'balcony';
    case Roof = 'roof';
    case Boat = 'boat';

    /** Whether somebody answers for what it may carry. */
    public function isStructure(): bool
    {
        return $this !== self::Ground;
    }
}
