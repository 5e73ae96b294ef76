<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/** The grower's choice of water line where a system offers one. */
enum LineChoice: string
{
    case Gap = 'gap';
    case Touch = 'touch';
    case HighStart = 'high-start';
    case DrawnDown = 'drawn-down';
    case Third = 'third';

    public static function defaultFor(GrowingSystem $system): self
    {
        return $system === GrowingSystem::Passive ? self::Touch : self::Gap;
    }

    /** @return list<self> the choices a system has; a raft, a cloner and a nursery have their own line */
    public static function for(GrowingSystem $system): array
    {
        return match ($system) {
            GrowingSystem::Aerated => [self::Gap, self::Touch, self::HighStart, self::DrawnDown],
            GrowingSystem::Passive => [self::Touch, self::Third],
            default => [],
        };
    }
}
