<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** The patterns that can be asked for, in the order in which ties are decided. */
enum PatternKind: string
{
    case Best = 'best';
    case Single = 'single';
    case Grid = 'grid';
    case Staggered = 'staggered';
    case Ring = 'ring';
    case Corners = 'corners';
    case Panels = 'panels';
    case Spread = 'spread';
    case Manual = 'manual';

    /** @return list<self> those that `best` looks at, in order of preference on ties */
    public static function regular(): array
    {
        return [self::Single, self::Grid, self::Staggered, self::Ring, self::Corners];
    }

    /** Whether holes may go anywhere that their limits allow, in a regular pattern or not. */
    public function isFree(): bool
    {
        return $this === self::Best || $this === self::Spread;
    }
}
