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
    public const WHOLE = 660;

    /** As much of it as a first answer takes. */
    public const FIRST = 75;

    /** A whole plan, without its seasons. */
    private const PLAN = 2;

    private int $taken = 0;

    public function __construct(private readonly int $most = self::WHOLE)
    {
    }

    /** A tub is laid out. */
    public function layOut(): void
    {
        $this->taken++;
    }

    /**
     * A garden is planned, with its seasons and its basket: each crop that stands in a tub has a season to go through.
     *
     * @param  list<TubChoice>  $tubs
     */
    public function plan(array $tubs): void
    {
        $this->taken += self::PLAN + array_sum(array_map(static fn (TubChoice $t): int => count($t->bed->portions), $tubs));
    }

    /** How many may have been taken when the first of so many parts of a search comes to its end. */
    public function share(int $parts): int
    {
        return $this->taken + intdiv($this->left(), $parts);
    }

    public function left(): int
    {
        return max(0, $this->most - $this->taken);
    }

    public function taken(): int
    {
        return $this->taken;
    }
}
