<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/** What was understood from a text: the number as written, its unit, and the value in the core's unit. */
final readonly class Reading
{
    public function __construct(
        public string $text,
        public float $number,
        public Unit $unit,
        public float $value,
        public bool $unitGiven,
    ) {
    }
}
