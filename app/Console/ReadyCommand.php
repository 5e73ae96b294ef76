<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;

/** What a start does once the tables are there, in one process: the demo garden where there is none, old things tidied, settings cached. */
final class ReadyCommand extends Command
{
    private const STEPS = ['kelp:demo', 'kelp:tidy', 'config:cache', 'route:cache', 'view:cache'];

    protected $signature = 'kelp:ready';

    protected $description = 'Gets everything ready that a start needs';

    public function handle(): int
    {
        foreach (self::STEPS as $step) {
            if ($this->call($step) !== self::SUCCESS) {
                $this->error("Error: $step failed.");

                return self::FAILURE;
            }
        }

        return self::SUCCESS;
    }
}
