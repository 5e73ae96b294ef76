<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Cup\GrowingSystem;

/** When all of the water is changed. Source: handbook, rules section 8 and season. */
enum ChangeSchool: string
{
    case Weekly = 'weekly';
    case TwoWeekly = 'two-weekly';
    case Monthly = 'monthly';
    case ByVolume = 'by-volume';
    case Never = 'never';

    private const MONTH_DAYS = 30;

    public static function defaultFor(GrowingSystem $system): self
    {
        return $system === GrowingSystem::Passive ? self::Never : self::TwoWeekly;
    }

    /** Days from one change to the next; null where days do not decide. */
    public function days(): ?int
    {
        return match ($this) {
            self::Weekly => 7,
            self::TwoWeekly => 14,
            self::Monthly => self::MONTH_DAYS,
            default => null,
        };
    }
}
