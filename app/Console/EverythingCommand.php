<?php

declare(strict_types=1);

namespace App\Console;

use App\Backup\RowsWriter;
use App\Gardens\Everything;
use App\Gardens\OneMoment;
use App\Logs\Photos;
use Illuminate\Console\Command;
use KelpTub\Core\File\RefusedGarden;

/** Writes everything as one file, or with --take-in reads one: for bin/backup and bin/restore. */
final class EverythingCommand extends Command
{
    protected $signature = 'kelp:everything {file} {--rows= : Write the rows of the database to this file too, of the same moment}
        {--take-in : Read the file and take in what is not here yet}
        {--photos= : The folder of the photographs that belong to it}';

    protected $description = 'Writes all gardens and the Library to one file, or takes them in from one';

    public function handle(Everything $everything, RowsWriter $rows, Photos $photos): int
    {
        $path = $this->argument('file');
        $beside = $this->option('rows');
        assert(is_string($path));
        if ($this->option('take-in') === true) {
            return $this->takeIn($everything, $path, $photos);
        }

        return OneMoment::of(fn (): int => $this->write($everything->written(), $path)
            + (is_string($beside) ? $this->write($rows->written(), $beside) : self::SUCCESS));
    }

    /** @param  iterable<string>  $pieces */
    private function write(iterable $pieces, string $path): int
    {
        $file = fopen($path, 'w');
        if ($file === false) {
            return $this->failed("$path cannot be written.");
        }
        foreach ($pieces as $piece) {
            if (fwrite($file, $piece) !== strlen($piece)) {
                return $this->failed("$path cannot be written to its end.");
            }
        }

        return fclose($file) ? self::SUCCESS : $this->failed("$path cannot be written to its end.");
    }

    private function takeIn(Everything $everything, string $path, Photos $photos): int
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
        $folder = $this->option('photos');
        $came = is_string($folder) ? $photos->bring($folder, $done->places) : [0, []];
        if ($came[0] > 0) {
            $this->line("Photographs taken in: $came[0].");
        }
        foreach ($came[1] as $name) {
            $this->line("Not taken in: $name, which is no photograph that can be read");
        }
        foreach ($done->back as $name) {
            $this->line("Back, after it was deleted: $name");
        }
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
