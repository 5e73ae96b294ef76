<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** Something the rules have to say about a design: what, how much, why, and what to do. */
final readonly class Finding
{
    /**
     * @param  string|null  $tub  id of the tub it is about
     * @param  string  $at  JSON pointer into the garden
     * @param  list<Remedy>  $remedies
     */
    public function __construct(
        public string $code,
        public Severity $severity,
        public ?string $tub,
        public string $at,
        public string $says,
        public string $why,
        public array $remedies = [],
    ) {
    }
}
