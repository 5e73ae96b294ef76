<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Remembers what it found as long as it lives, and has no time for spreads: holes go into regular patterns, the same on any machine. */
final class RegularMemory implements LayoutMemory
{
    /** @var array<string, array<string, int|string>> by the space and the question */
    private array $known = [];

    public function recall(LayoutQuestion $question): int|string|null
    {
        return $this->known[$question->space->fingerprint][$question->text] ?? null;
    }

    public function keep(LayoutQuestion $question, int|string $answer): void
    {
        $this->known[$question->space->fingerprint][$question->text] = $answer;
    }

    public function mayTake(int $steps): bool
    {
        return false;
    }
}
