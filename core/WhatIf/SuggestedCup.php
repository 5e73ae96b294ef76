<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\File\Shelf;
use KelpTub\Core\Vessel\Vessel;

/** The cup a new tub starts with. */
final class SuggestedCup
{
    private const USUAL = 'net-cup-50';

    /**
     * The first bought cup that hangs in a jar's mouth with nothing cut, or the usual one.
     *
     * @param  Shelf<Cup>  $cups
     */
    public static function for(Vessel $vessel, Shelf $cups): string
    {
        $mouth = $vessel->profile->mouth();
        if ($vessel->isJar() && $mouth->round) {
            foreach ($cups as $key => $cup) {
                if (! $cup->homeMade && $cup->top <= $mouth->length && $mouth->length < $cup->lip) {
                    return $key;
                }
            }
        }

        return self::USUAL;
    }
}
