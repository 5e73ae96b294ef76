<?php

declare(strict_types=1);

namespace App\Console;

use App\Gardens\GardenHistory;
use App\Weather\KeptWeather;
use Illuminate\Console\Command;

/** Thins out old revisions, removes what was deleted long ago, and forecasts nobody asks for; run at each start and once a day. */
final class TidyCommand extends Command
{
    protected $signature = 'kelp:tidy';

    protected $description = 'Thins out old revisions, removes gardens that were deleted long ago and forecasts that nobody asked for';

    public function handle(GardenHistory $history): int
    {
        // What was being handed out when its worker was killed.
        foreach (glob(storage_path('framework/zip*')) ?: [] as $file) {
            if (filemtime($file) < time() - 86_400) {
                @unlink($file);
            }
        }
        KeptWeather::tidy((string) config('cache.stores.weather.path'));
        $done = $history->tidy();
        $this->info($done === null ? 'Nothing is due.' : "Thinned out $done[0] revisions and removed $done[1] gardens.");

        return self::SUCCESS;
    }
}
