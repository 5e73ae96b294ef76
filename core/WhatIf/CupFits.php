<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Cup\Seat;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartReader;
use stdClass;

/**
 * Which cups of the Library fit a hole that is there already: those that hang by their lip, widest bearing first, then those that wedge
 * in it.
 */
final class CupFits
{
    /**
     * @param  array<string, stdClass>  $cups  by key
     * @return list<stdClass>
     */
    public static function of(array $cups, float $hole): array
    {
        $fits = [];
        foreach ($cups as $key => $raw) {
            $cup = PartReader::cup($raw, (string) $key);
            $seat = Seat::of($cup, $hole);
            if ($seat->holds()) {
                $fits[] = (object) [
                    'cup' => (string) $key,
                    'name' => $cup->name,
                    'seat' => $seat->kind->value,
                    'bearing_mm' => $seat->bearing,
                    'play_mm' => $seat->play,
                    'raise_mm' => $seat->raise,
                    'good' => $seat->sitsWell(),
                ];
            }
        }
        usort(
            $fits,
            static fn (stdClass $a, stdClass $b): int => [
                ! $a->good,
                $a->seat,
                $a->raise_mm,
                -$a->bearing_mm,
            ] <=> [! $b->good, $b->seat, $b->raise_mm, -$b->bearing_mm],
        );

        return $fits;
    }
}
