<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** No visit at all: what a tub does by itself. */
final readonly class Nobody implements Keeper
{
    public function deeds(SeasonTub $tub, SeasonState $evening, bool $misses = false): Deeds
    {
        return Deeds::none();
    }
}
