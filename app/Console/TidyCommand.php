<?php

declare(strict_types=1);

namespace App\Console;

use App\Gardens\GardenHistory;
use Illuminate\Console\Command;

/** Thins out old revisions and removes gardens that were deleted long ago; run at each start and once a day. */
final class TidyCommand extends Command
{
    protected $signature = 'kelp:tidy';

    protected $description = 'Thins out old revisions and removes gardens that were deleted long ago';

    public function handle(GardenHistory $history): int
    {
        $done = $history->tidy();
        $this->info($done === null ? 'Nothing is due.' : "Thinned out $done[0] revisions and removed $done[1] gardens.");

        return self::SUCCESS;
    }
}
