<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** What is known of a lid from before: spreads, one of which takes longer than a preview may, and how many cups fit. */
interface LayoutMemory
{
    /**
     * The spread of so many holes; an empty list when they do not fit, null when it is not known yet and not to be worked out now.
     *
     * @return list<Point>|null
     */
    public function spread(LayoutSpace $space, int $count): ?array;

    /** The answer to a question about a space, or null when it was never asked. */
    public function answer(LayoutSpace $space, string $question): ?int;

    /** Keeps an answer that will always be the same. */
    public function keep(LayoutSpace $space, string $question, int $answer): void;
}
