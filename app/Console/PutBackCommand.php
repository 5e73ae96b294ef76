<?php

declare(strict_types=1);

namespace App\Console;

use App\Backup\BackupRefused;
use App\Backup\OldDump;
use App\Backup\PutBack;
use App\Backup\RowLines;
use App\Logs\Photos;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Fills an empty database from the files of a backup: for bin/restore. */
final class PutBackCommand extends Command
{
    protected $signature = 'kelp:put-back {folder : Where rows.jsonl, or database.sql of a version before, lies}';

    protected $description = 'Fills an empty database with the rows of a backup';

    public function handle(PutBack $putBack, Photos $photos): int
    {
        $folder = $this->argument('folder');
        assert(is_string($folder));
        try {
            $rows = is_file("$folder/rows.jsonl") ? new RowLines("$folder/rows.jsonl") : new OldDump("$folder/database.sql");
            $counts = $putBack->from($rows);
            // They are only ever added: what is here meanwhile keeps its own.
            $photos->bring("$folder/photos");
        } catch (BackupRefused $refused) {
            $this->error("Error: {$refused->getMessage()}");

            return self::FAILURE;
        }
        $this->line('the backup was made by '.$rows->origin());
        $this->line(sprintf('%d gardens', $counts['gardens'] - DB::table('gardens')->whereNotNull('deleted_at')->count()));

        return self::SUCCESS;
    }
}
