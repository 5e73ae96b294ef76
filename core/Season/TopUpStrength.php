<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** What is poured in at a top-up: the water alone, feed at half its strength, or as for a fill. Source: handbook, season. */
enum TopUpStrength: string
{
    case Water = 'water';
    case Half = 'half';
    case Feed = 'feed';

    /** Half-way between the water and the target unless it is said. */
    public function share(): float
    {
        return match ($this) {
            self::Water => 0.0,
            self::Half => 0.5,
            self::Feed => 1.0,
        };
    }
}
