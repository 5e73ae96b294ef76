<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Units\UnitSystem;

/** What a line of text is read against: the grower's clock and units, and the tub that it is about. */
final readonly class LineContext
{
    /**
     * @param  int  $day  of the grower's clock, as `Dates` counts
     * @param  int  $minute  of it
     * @param  int|null  $ppmScale  500 or 700, where the grower has said which their meter has
     * @param  float|null  $jug  litres that their jug holds
     * @param  float|null  $lastLevel  mm, as it was last read, or the water line
     * @param  float|null  $line  mm, the water line
     * @param  list<string>  $parts  names of the feed's parts
     */
    public function __construct(
        public UnitSystem $units,
        public int $day,
        public int $minute,
        public ?int $ppmScale = null,
        public ?float $jug = null,
        public ?float $lastLevel = null,
        public ?float $line = null,
        public array $parts = [],
    ) {
    }
}
