<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;

/** † share of a grown plant's roots that takes its oxygen from the water. Source: handbook, rules section 7. */
final class SubmergedShare
{
    public static function of(GrowingSystem $system, LineChoice $line): float
    {
        return match ($system) {
            GrowingSystem::Raft => 0.9,
            GrowingSystem::Nursery => 0.3,
            GrowingSystem::Cloner => 0.1,
            default => match ($line) {
                LineChoice::Touch, LineChoice::HighStart => 0.85,
                LineChoice::DrawnDown => 0.5,
                default => 0.7,
            },
        };
    }
}
