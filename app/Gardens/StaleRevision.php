<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Models\Garden;
use RuntimeException;

/**
 * A write against a revision that is no longer the newest. Carries the garden as it is now, what was to be written, and what both came
 * from.
 */
final class StaleRevision extends RuntimeException
{
    /** @param  string|null  $base  null where that revision is not kept */
    public function __construct(public readonly Garden $current, public readonly string $mine, public readonly ?string $base)
    {
        parent::__construct("The garden is at revision $current->revision.");
    }
}
