<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use KelpTub\Core\Cup\GrowingSystem;

/** How water is put back between changes. */
enum TopUps: string
{
    case None = 'none';
    case Level = 'level';
    case Quarter = 'quarter';
    case Half = 'half';

    /** Still water is not topped up unless it is asked for: roots have grown into the air gap. Source: handbook, format. */
    public static function defaultFor(GrowingSystem $system): self
    {
        return $system === GrowingSystem::Passive ? self::None : self::Level;
    }

    /** Share of the usable water after which it is topped up; all of it where it never is. Source: handbook, format. */
    public function usedShare(): float
    {
        return match ($this) {
            self::None => 1.0,
            self::Level, self::Quarter => 1 / 3,
            self::Half => 1 / 2,
        };
    }

    /**
     * Share of the usable volume that two days at the peak may take, for a passive tub; null without top-ups. Source: handbook, rules
     * section 6.
     */
    public function passiveShare(): ?float
    {
        return match ($this) {
            self::None => null,
            self::Level => 1 / 3,
            self::Quarter => 1 / 4,
            self::Half => 1 / 2,
        };
    }
}
