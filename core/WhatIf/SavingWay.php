<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use Closure;
use KelpTub\Core\Garden\Garden;
use stdClass;

/** One way to spend less: what it does in words, and the patch that does it to a garden as it is by then. */
final readonly class SavingWay
{
    /**
     * @param  string  $key  `passive-galley`
     * @param  string  $kind  of the handbook's kinds: `passive`
     * @param  string  $touches  what it changes: of two that change the same only one can be done
     * @param  Closure(Garden): list<stdClass>  $patch
     */
    public function __construct(
        public string $key,
        public string $kind,
        public string $touches,
        public string $says,
        public Closure $patch,
    ) {
    }

    /** Whether nothing is built otherwise for it. */
    public function isMoneyAlone(): bool
    {
        return in_array($this->kind, ['scavenged', 'testing', 'supplier', 'borrowed'], true);
    }
}
