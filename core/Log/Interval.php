<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/** Between two readings: what was used as it was observed, and what the figures say of it. Litres, or mS/cm × L; moments in days. */
final readonly class Interval
{
    /** @param  string|null  $leftOut  why nothing can be learned from it; null where something can */
    public function __construct(
        public float $from,
        public float $to,
        public float $observed,
        public float $forecast,
        public ?string $leftOut = null,
    ) {
    }
}
