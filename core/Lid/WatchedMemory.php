<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** A memory that tells how often there was no time: what was worked out meanwhile may come out otherwise another time. */
final class WatchedMemory implements LayoutMemory
{
    private int $refused = 0;

    public function __construct(private readonly LayoutMemory $memory)
    {
    }

    public function refused(): int
    {
        return $this->refused;
    }

    public function recall(LayoutQuestion $question): int|string|null
    {
        return $this->memory->recall($question);
    }

    public function keep(LayoutQuestion $question, int|string $answer): void
    {
        $this->memory->keep($question, $answer);
    }

    public function mayTake(int $steps): bool
    {
        $may = $this->memory->mayTake($steps);
        $this->refused += $may ? 0 : 1;

        return $may;
    }
}
