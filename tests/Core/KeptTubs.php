<?php

declare(strict_types=1);

namespace Tests\Core;

use KelpTub\Core\Garden\TubMemory;

/** Keeps what it is given as the server's workers hand it to each other: written down, and read anew each time. */
final class KeptTubs implements TubMemory
{
    /** @var array<string, string> by fingerprint */
    public array $kept = [];

    public int $asked = 0;

    public int $recalled = 0;

    public function keeps(): bool
    {
        return true;
    }

    public function recall(string $fingerprint): ?object
    {
        $this->asked++;
        if (! isset($this->kept[$fingerprint])) {
            return null;
        }
        $this->recalled++;

        return unserialize($this->kept[$fingerprint]);
    }

    public function keep(string $fingerprint, object $known): void
    {
        $this->kept[$fingerprint] = serialize($known);
    }
}
