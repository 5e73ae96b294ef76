<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

/** Search budget: gardens that may be planned. Counted, and not timed, so that the same wish gets the same answer on any machine. */
final class Steps
{
    /** The whole of a search. */
    public const WHOLE = 900;

    /** As much of it as a first answer takes. */
    public const FIRST = 60;

    private int $taken = 0;

    public function __construct(private readonly int $most = self::WHOLE)
    {
    }

    public function take(): void
    {
        $this->taken++;
    }

    public function areLeft(): bool
    {
        return $this->taken < $this->most;
    }

    public function taken(): int
    {
        return $this->taken;
    }
}
