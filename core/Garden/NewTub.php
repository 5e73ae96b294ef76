<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cup\GrowingSystem;
use stdClass;

/** A tub that is to come to the bench: its vessel and cup by key or whole, as a garden file has them. */
final readonly class NewTub
{
    /**
     * @param  stdClass|null  $ownCrop  the row of a crop that the garden is to bring along
     * @param  array<string, mixed>  $more  what else was said of it, by the tub's keys: a lid that is drilled already, what it starts from
     */
    public function __construct(
        public string $name,
        public GrowingSystem $system,
        public string|stdClass $vessel,
        public string|stdClass $cup,
        public ?string $crop,
        public ?stdClass $ownCrop = null,
        public array $more = [],
    ) {
    }
}
