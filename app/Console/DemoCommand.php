<?php

declare(strict_types=1);

namespace App\Console;

use App\Gardens\GardenStore;
use App\Models\Garden;
use Illuminate\Console\Command;

/** Puts the demo garden in where there is no garden yet, not even a deleted one. */
final class DemoCommand extends Command
{
    protected $signature = 'kelp:demo';

    protected $description = 'Puts in the demo garden if there is no garden';

    public function handle(GardenStore $store): int
    {
        if (Garden::withTrashed()->exists()) {
            $this->info('There are gardens already.');

            return self::SUCCESS;
        }
        $garden = $store->create((string) file_get_contents(base_path('data/demo.kelp.json')));
        $this->info("Put in $garden->name.");

        return self::SUCCESS;
    }
}
