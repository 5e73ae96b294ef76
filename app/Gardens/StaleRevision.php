<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Models\Garden;
use RuntimeException;

/** A write against a revision that is no longer the newest. Carries the garden as it is now. */
final class StaleRevision extends RuntimeException
{
    public function __construct(public readonly Garden $current)
    {
        parent::__construct("The garden is at revision $current->revision.");
    }
}
