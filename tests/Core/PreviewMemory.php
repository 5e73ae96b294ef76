<?php

declare(strict_types=1);

namespace Tests\Core;

use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutQuestion;

/** Knows nothing, keeps nothing and has no time: a preview on a machine that never saw the lid. */
final class PreviewMemory implements LayoutMemory
{
    public function recall(LayoutQuestion $question): int|string|null
    {
        return null;
    }

    public function keep(LayoutQuestion $question, int|string $answer): void
    {
    }

    public function mayTake(int $steps): bool
    {
        return false;
    }
}
