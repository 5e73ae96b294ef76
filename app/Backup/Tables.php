<?php

declare(strict_types=1);

namespace App\Backup;

/** What of the database a backup holds: these tables and no others, in an order in which they can be filled. */
final class Tables
{
    /** What tells which changes of the tables were made. */
    public const MIGRATIONS = 'migrations';

    public const ALL = ['growers', 'gardens', 'revisions', 'entries', 'library_items', 'dry_runs', 'tidyings'];
}
