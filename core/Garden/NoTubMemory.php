<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** Keeps nothing: all is worked out anew. */
final class NoTubMemory implements TubMemory
{
    public function keeps(): bool
    {
        return false;
    }

    public function recall(string $fingerprint): ?object
    {
        return null;
    }

    public function keep(string $fingerprint, object $known): void
    {
    }
}
