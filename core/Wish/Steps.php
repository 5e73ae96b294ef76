<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

/**
 * Search budget, in steps: a tub that is laid out is one, a garden that is planned whole some more. Counted, and not timed, so that the
 * same wish gets the same answer on any machine.
 */
final class Steps
{
    /** The whole of a search. */
    public const WHOLE = 720;

    /** As much of it as a first answer takes. */
    public const FIRST = 75;

    private const PLAN = 3;

    private int $taken = 0;

    public function __construct(private readonly int $most = self::WHOLE)
    {
    }

    /** A tub is laid out. */
    public function layOut(): void
    {
        $this->taken++;
    }

    /** A garden is planned, with its seasons and its basket. */
    public function plan(): void
    {
        $this->taken += self::PLAN;
    }

    /** How many may have been taken when the first of so many parts of a search comes to its end. */
    public function share(int $parts): int
    {
        return $this->taken + intdiv(max(0, $this->most - $this->taken), $parts);
    }

    public function taken(): int
    {
        return $this->taken;
    }
}
