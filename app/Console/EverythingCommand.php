<?php

declare(strict_types=1);

namespace App\Console;

use App\Gardens\Everything;
use Illuminate\Console\Command;
use KelpTub\Core\File\RefusedGarden;

/** Writes everything as one file, or with --take-in reads one: for bin/backup and bin/restore. */
final class EverythingCommand extends Command
{
    protected $signature = 'kelp:everything {file} {--take-in : Read the file and take in what is not here yet}';

    protected $description = 'Writes all gardens and the Library to one file, or takes them in from one';

    public function handle(Everything $everything): int
    {
        $path = $this->argument('file');
        if (! $this->option('take-in')) {
            $file = fopen($path, 'w');
            foreach ($everything->written() as $piece) {
                if ($file === false || fwrite($file, $piece) !== strlen($piece)) {
                    $this->error("Error: $path cannot be written.");

                    return self::FAILURE;
                }
            }

            return fclose($file) ? self::SUCCESS : self::FAILURE;
        }
        try {
            $done = $everything->takeIn((string) file_get_contents($path));
        } catch (RefusedGarden $refused) {
            $this->error('Error: the file '.$refused->faults[0]);

            return self::FAILURE;
        }
        $this->line(sprintf('%d gardens were taken in, %d things were here already, %d Library items were taken in.', count($done['new']), $done['same'], $done['items']));
        foreach ($done['beside'] as $name) {
            $this->line("Beside the garden that is here, which differs: $name");
        }
        foreach ($done['refused'] as $refused) {
            $this->line("Not taken in: $refused[name]: $refused[message]");
        }

        return self::SUCCESS;
    }
}
