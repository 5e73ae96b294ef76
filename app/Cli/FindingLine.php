<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Garden\Finding;

/** A finding as one line for people: how bad, which tub, its code, what it says. */
final class FindingLine
{
    public static function of(Finding $finding): string
    {
        return sprintf('%-4s  %-12s %-18s %s', $finding->severity->value, $finding->tub ?? '-', $finding->code, $finding->says);
    }
}
