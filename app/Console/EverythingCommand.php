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
        assert(is_string($path));

        return $this->option('take-in') === true ? $this->takeIn($everything, $path) : $this->write($everything, $path);
    }

    private function write(Everything $everything, string $path): int
    {
        $file = fopen($path, 'w');
        if ($file === false) {
            return $this->failed("$path cannot be written.");
        }
        foreach ($everything->written() as $piece) {
            if (fwrite($file, $piece) !== strlen($piece)) {
                return $this->failed("$path cannot be written to its end.");
            }
        }

        return fclose($file) ? self::SUCCESS : $this->failed("$path cannot be written to its end.");
    }

    private function takeIn(Everything $everything, string $path): int
    {
        try {
            $done = $everything->takeIn((string) file_get_contents($path), PHP_INT_MAX);
        } catch (RefusedGarden $refused) {
            return $this->failed('the file '.$refused->faults[0]);
        }
        $this->line(sprintf(
            'Gardens taken in: %d. Library items taken in: %d. Here already: %d.',
            count($done->new),
            $done->items,
            $done->same,
        ));
        foreach ($done->beside as $name) {
            $this->line("Beside the garden that is here, which differs: $name");
        }
        foreach ($done->refused as $refused) {
            $this->line("Not taken in: $refused[name]: $refused[message]");
        }

        return self::SUCCESS;
    }

    private function failed(string $why): int
    {
        $this->error("Error: $why");

        return self::FAILURE;
    }
}
