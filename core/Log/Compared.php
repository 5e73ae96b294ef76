<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Season\Found;

/** A reading beside what was forecast for its moment from the reading before. */
final readonly class Compared
{
    /**
     * @param  Found  $found  what it read
     * @param  Found  $forecast  what was to be expected
     * @param  float  $gap  air between cups and water as it was found, mm; what was forecast where no level was read
     * @param  float  $forecastGap  mm
     */
    public function __construct(
        public Entry $entry,
        public Found $found,
        public Found $forecast,
        public float $gap,
        public float $forecastGap,
    ) {
    }
}
