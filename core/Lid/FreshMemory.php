<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Knows nothing at first, forgets nothing as long as it lives, and has all the time there is. */
final class FreshMemory implements LayoutMemory
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
        return true;
    }
}
