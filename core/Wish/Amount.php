<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

/** How an amount of something to eat was asked for, by the wish's key. */
enum Amount: string
{
    /** Of a crop that is cut once, so many heads every week; of one that bears on, so many plants that bear at a time. */
    case Heads = 'heads_a_week';
    case Grams = 'g_a_week';
    case Plants = 'plants';

    /** Whether it is wanted week after week, and so sown again and again. */
    public function isSteady(): bool
    {
        return $this !== self::Plants;
    }
}
