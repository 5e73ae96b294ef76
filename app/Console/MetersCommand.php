<?php

declare(strict_types=1);

namespace App\Console;

use App\Meters\MeterReadings;
use Illuminate\Console\Command;
use KelpTub\Core\Log\EntryReader;

/** Asks every meter that stands in a tub, and writes down what it shows; run every quarter of an hour while Kelp Tub runs. */
final class MetersCommand extends Command
{
    protected $signature = 'kelp:meters {--now= : The moment by the clock on the wall, 2027-04-18T07:40}';

    protected $description = 'Asks the meters in all tubs, and writes down what they show';

    public function handle(MeterReadings $readings): int
    {
        $now = $this->option('now') ?? now()->format('Y-m-d\TH:i');
        if (! is_string($now) || EntryReader::moment($now) === null) {
            $this->error('--now is no moment; it reads 2027-04-18T07:40');

            return self::FAILURE;
        }
        [$kept, $away] = $readings->all($now);
        $this->info("Readings kept: $kept. Meters that gave none: $away.");

        return self::SUCCESS;
    }
}
