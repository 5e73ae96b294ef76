<?php

declare(strict_types=1);

namespace KelpTub\Core\Light;

/** The window at which plants stand. Source: handbook, rules section 6 (daylight). */
enum Window: string
{
    case South = 'south';
    case East = 'east';
    case West = 'west';
    case North = 'north';

    /** † light of a day at midsummer, mol/m²; half to twice as much. */
    public function midsummer(): float
    {
        return match ($this) {
            self::South => 6.0,
            self::East, self::West => 4.0,
            self::North => 2.0,
        };
    }
}
