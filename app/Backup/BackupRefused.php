<?php

declare(strict_types=1);

namespace App\Backup;

use RuntimeException;

/** A backup that cannot be put back, and why, in a line for its owner. */
final class BackupRefused extends RuntimeException
{
    public static function damaged(string $what): self
    {
        return new self("The backup is damaged: $what.");
    }

    /** @param  list<string>  $unknown  changes of the tables that this program does not know */
    public static function newer(array $unknown): self
    {
        return new self(sprintf(
            'The backup was made by a newer Kelp Tub, which keeps things otherwise (%s). Update this one first.',
            implode(', ', array_slice($unknown, 0, 3)),
        ));
    }
}
