<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** What the tubs stand on. */
enum Ground: string
{
    case Wood = 'wood';
    case Concrete = 'concrete';
    case Stone = 'stone';
    case Soil = 'soil';

    /** Whether it draws the warmth out of what stands on it. */
    public function isCold(): bool
    {
        return $this === self::Concrete || $this === self::Stone;
    }
}
