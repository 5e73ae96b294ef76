<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use stdClass;

/** A garden of one of its tubs alone, with the air it has: to try things on. */
final class SingleTub
{
    /**
     * The tub is changed by $change and asked for as many plants as it carries, unless its holes are set by hand.
     *
     * @param  callable(stdClass): void  $change
     */
    public static function of(Garden $garden, Tub $tub, callable $change): stdClass
    {
        $document = clone $garden->document;
        /** @var stdClass $raw */
        $raw = clone $document->tubs[$tub->index];
        if ($tub->layout->asked !== 'manual') {
            $raw->layout = (object) ['pattern' => 'best', 'cups' => 'max', 'holes' => null];
            $raw->plants = null;
            $raw->crops = array_map(static fn (stdClass $wish): stdClass => (object) ['crop' => $wish->crop, 'plants' => null], $raw->crops ?? []);
        }
        $change($raw);
        $document->tubs = [$raw];
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
}
