<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** What was found out about lids before: a number, or a layout packed as text, by the question. */
interface LayoutMemory
{
    /** The answer, or null when the question was never asked. */
    public function recall(LayoutQuestion $question): int|string|null;

    /** Keeps an answer that will always be the same. */
    public function keep(LayoutQuestion $question, int|string $answer): void;

    /** Whether there is time for a spread that is not known: one takes longer than a preview may. */
    public function maySolve(): bool;
}
