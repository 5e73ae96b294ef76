<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Tub;
use stdClass;

/** A garden of one of its tubs alone, with the air it has: to try things on. */
final class SingleTub
{
    /** As it is. */
    public static function alone(Garden $garden, Tub $tub): stdClass
    {
        $document = clone $garden->document;
        $document->tubs = [clone $document->tubs[$tub->index]];
        $document->plantings = [];
        $document->air = [];
        foreach ($garden->document->air ?? [] as $system) {
            $branches = array_values(array_filter($system->branches ?? [], static fn (stdClass $b): bool => $b->tub === $tub->id));
            if ($branches !== []) {
                $document->air[] = (object) [...get_object_vars($system), 'branches' => $branches];
            }
        }

        return $document;
    }

    /**
     * Changed by $change, and asked for as many plants as it carries unless its holes are set by hand.
     *
     * @param  callable(stdClass): void  $change
     */
    public static function changed(Garden $garden, Tub $tub, callable $change): stdClass
    {
        $document = self::alone($garden, $tub);
        $raw = $document->tubs[0];
        if (! $tub->holes->layout->isByHand()) {
            $raw->layout = (object) ['pattern' => 'best', 'cups' => 'max', 'holes' => null];
            $raw->plants = null;
            $raw->crops = array_map(
                static fn (stdClass $wish): stdClass => (object) ['crop' => $wish->crop, 'plants' => null],
                $raw->crops ?? [],
            );
        }
        $change($raw);

        return $document;
    }
}
