<?php

declare(strict_types=1);

namespace App\Console;

use App\Gardens\DemoGarden;
use App\Gardens\GardenStore;
use App\Logs\Photos;
use App\Models\Garden;
use Illuminate\Console\Command;
use KelpTub\Core\Numbers\Dates;

/** Puts the demo garden in where there is no garden yet, not even a deleted one. */
final class DemoCommand extends Command
{
    protected $signature = 'kelp:demo {--today= : The day that its plantings and its log are dated from; this one without it}';

    protected $description = 'Puts in the demo garden if there is no garden';

    public function handle(GardenStore $store, Photos $photos): int
    {
        if (Garden::withTrashed()->exists()) {
            $this->info('There are gardens already.');

            return self::SUCCESS;
        }
        $today = $this->option('today');
        if (is_string($today) && ! Dates::are($today)) {
            $this->error("--today is \"$today\", no date; it reads 2027-05-20");

            return self::FAILURE;
        }
        $garden = $store->create(DemoGarden::document(is_string($today) ? $today : now()->format('Y-m-d')));
        foreach (DemoGarden::photos() as $id => $file) {
            $photos->put($garden->id, $id, (string) file_get_contents($file));
        }
        $this->info("Put in $garden->name.");

        return self::SUCCESS;
    }
}
