<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cup\GrowingSystem;
use stdClass;

/** A tub that is to come to the bench: its vessel and cup by key or whole, as a garden file has them. */
final readonly class NewTub
{
    /** @param  stdClass|null  $ownCrop  the row of a crop that the garden is to bring along */
    public function __construct(
        public string $name,
        public GrowingSystem $system,
        public string|stdClass $vessel,
        public string|stdClass $cup,
        public ?string $crop,
        public ?stdClass $ownCrop = null,
    ) {
    }
}
