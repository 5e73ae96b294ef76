<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Remembers what it found as long as it lives, and has no time for spreads: holes go into regular patterns, the same on any machine. */
final readonly class RegularMemory implements LayoutMemory
{
    public function __construct(private FreshMemory $found = new FreshMemory)
    {
    }

    public function recall(LayoutQuestion $question): int|string|null
    {
        return $this->found->recall($question);
    }

    public function keep(LayoutQuestion $question, int|string $answer): void
    {
        $this->found->keep($question, $answer);
    }

    public function mayTake(int $steps): bool
    {
        return false;
    }
}
