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
     * @param  string  $mark  key of the mark that says it, and at which it is mended
     */
    public function __construct(
        public string $code,
        public Severity $severity,
        public ?string $tub,
        public string $at,
        public string $says,
        public string $why,
        public array $remedies = [],
        public string $mark = '',
    ) {
    }

    public function saidBy(Mark $mark): self
    {
        return new self($this->code, $this->severity, $this->tub, $this->at, $this->says, $this->why, $this->remedies, $mark->key());
    }

    /** Whether one of its remedies may change once a layout is known that takes longer to find. */
    public function isPending(): bool
    {
        foreach ($this->remedies as $remedy) {
            if ($remedy->pending) {
                return true;
            }
        }

        return false;
    }
}
