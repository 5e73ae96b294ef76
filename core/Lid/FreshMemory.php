<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Knows nothing at first and forgets nothing as long as it lives. */
final class FreshMemory implements LayoutMemory
{
    /** @var array<string, array<string, int|string>> by the space and the question */
    private array $known = [];

    public function recall(LayoutSpace $space, string $question): int|string|null
    {
        return $this->known[$space->fingerprint][$question] ?? null;
    }

    public function keep(LayoutSpace $space, string $question, int|string $answer): void
    {
        $this->known[$space->fingerprint][$question] = $answer;
    }

    public function maySolve(): bool
    {
        return true;
    }
}
