<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** How much of a part the whole design takes. */
final readonly class Need
{
    /** @param  'part'|'tool'|'consumable'|'extra'  $kind */
    public function __construct(
        public string $key,
        public string $name,
        public string $kind,
        public float $amount,
        public string $unit,
    ) {
    }
}
