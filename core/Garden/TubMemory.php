<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** What was worked out of tubs before, by a fingerprint of all that it follows from. It may be forgotten at any time. */
interface TubMemory
{
    /** Whether it keeps anything at all: else nothing need be looked up. */
    public function keeps(): bool;

    /** What was kept under the fingerprint, or null. */
    public function recall(string $fingerprint): ?object;

    public function keep(string $fingerprint, object $known): void;
}
