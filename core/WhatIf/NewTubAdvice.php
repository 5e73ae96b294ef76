<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\File\Library;
use KelpTub\Core\Vessel\Vessel;

/** What a new tub starts with, where the grower has not said: how it is run, its cup, and what is rooted in a cloner. */
final class NewTubAdvice
{
    private const USUAL = 'net-cup-50';

    private const COLLAR = 'collar-35';

    private const CUTTINGS = 'soft-cuttings';

    /** A jar or a cut bottle is mostly left still; anything else gets air. */
    public static function system(Vessel $vessel): GrowingSystem
    {
        return $vessel->isOpenMouthed() ? GrowingSystem::Passive : GrowingSystem::Aerated;
    }

    /** Cuttings for a cloner, nothing for any other. */
    public static function crop(GrowingSystem $system): ?string
    {
        return $system === GrowingSystem::Cloner ? self::CUTTINGS : null;
    }

    /** The cup that hangs in a jar's mouth, or the usual one, where large enough for the crop; else the smallest bought one that is. */
    public static function cup(Vessel $vessel, GrowingSystem $system, ?Crop $crop, Library $library): string
    {
        if ($system === GrowingSystem::Cloner) {
            return self::COLLAR;
        }
        $least = $crop->cupMinMm ?? 0.0;
        $first = self::forMouth($vessel, $library) ?? $library->cups->get(self::USUAL);
        if ($first->suits($least)) {
            return $first->key ?? self::USUAL;
        }
        $large = array_filter(iterator_to_array($library->cups), static fn (Cup $cup): bool => ! $cup->homeMade && $cup->suits($least));
        uasort($large, static fn (Cup $a, Cup $b): int => $a->top <=> $b->top);

        return array_key_first($large) ?? self::USUAL;
    }

    /** The first cup that hangs in the mouth with nothing cut: a bought one in a jar; in a cut bottle its own neck, upside down. */
    private static function forMouth(Vessel $vessel, Library $library): ?Cup
    {
        $mouth = $vessel->profile->mouth();
        if (! $vessel->isOpenMouthed() || ! $mouth->round) {
            return null;
        }
        $hang = array_filter(iterator_to_array($library->cups), static fn (Cup $cup): bool => $cup->hangsIn($mouth->length)
            && ($vessel->isJar() ? ! $cup->homeMade : Seat::of($cup, $mouth->length)->bearing >= Seat::LEAST_BEARING_MM));
        $necks = $vessel->isJar() ? [] : array_filter($hang, static fn (Cup $cup): bool => $cup->homeMade);

        return array_values([...$necks, ...$hang])[0] ?? null;
    }
}
