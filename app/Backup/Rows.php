<?php

declare(strict_types=1);

namespace App\Backup;

/** The rows of a backup, whichever way they are written: read as data, and nothing of it is carried out. */
interface Rows
{
    /** Which version made it and when, in words. */
    public function origin(): string;

    /**
     * The changes of the tables that had been made where it was written.
     *
     * @return list<string>
     */
    public function migrations(): array;

    /**
     * @return iterable<array{string, array<string, mixed>}> table and row, of the tables that a backup holds
     *
     * @throws BackupRefused where it is not whole
     */
    public function all(): iterable;
}
