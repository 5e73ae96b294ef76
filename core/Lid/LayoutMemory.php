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

    /**
     * Whether there is time for work that is not remembered, of so many steps; takes them where there is. Counted in steps, so that the
     * same question gets the same answer on any machine: a garden tried with a change is one, a spread of thirty holes about ten.
     */
    public function mayTake(int $steps): bool;
}
