<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A file that is given to a command by name, or as standard input; and what is wrong with it, each fault on its own line. */
final class GivenFile
{
    /** The input is refused. */
    public const REFUSED = 2;

    /** @throws RefusedGarden when the file cannot be read */
    public static function text(string $file): string
    {
        if ($file !== '-' && ! is_file($file)) {
            throw RefusedGarden::one('', "there is no file $file");
        }
        $text = file_get_contents(
            $file === '-' ? 'php://stdin' : $file,
            length: GardenFile::MOST_BYTES + GardenFile::MOST_ENTRIES_BYTES + 1,
        );

        return $text !== false ? $text : throw RefusedGarden::one('', "$file cannot be read");
    }

    public static function refused(RefusedGarden $refused, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        foreach ($refused->faults as $fault) {
            $errors->writeln(self::line($fault), OutputInterface::OUTPUT_RAW);
        }

        return self::REFUSED;
    }

    private static function line(Fault $fault): string
    {
        return ($fault->pointer === '' ? '/' : $fault->pointer).' '.$fault->message;
    }
}
