<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

/** What becomes of a planting: days as `Dates` counts them, with their part of a day; null where it does not come to that. */
final readonly class Fate
{
    /** @param  float  $harvest  what is picked of it in all, g */
    public function __construct(
        public ?float $firstHarvest,
        public ?float $lastHarvest,
        public ?int $died,
        public float $harvest,
    ) {
    }
}
