<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/** What of a vessel its light cover is put on. */
enum CoverParts: string
{
    case Both = 'both';
    case Walls = 'walls';
    case Lid = 'lid';

    public function hasWalls(): bool
    {
        return $this !== self::Lid;
    }

    public function hasLid(): bool
    {
        return $this !== self::Walls;
    }
}
