<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * A pack that can be bought: how much of a part it holds, in the part's unit, and its price. One that stands instead of others is the only
 * one there is for its part.
 */
final readonly class Offer
{
    public function __construct(
        public string $part,
        public float $pack,
        public float $price,
        public ?string $supplier,
        public bool $instead = false,
    ) {
    }
}
