<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** Where the water comes from. Source: handbook, rules section 8. */
enum WaterSource: string
{
    case Tap = 'tap';
    case ReverseOsmosis = 'ro';
    case Rain = 'rain';

    /** EC where it is not said, mS/cm. */
    public function usualEc(): float
    {
        return $this === self::Tap ? 0.4 : 0.0;
    }

    public function isSoft(): bool
    {
        return $this !== self::Tap;
    }
}
