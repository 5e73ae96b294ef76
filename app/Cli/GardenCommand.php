<?php

declare(strict_types=1);

namespace App\Cli;

use App\Library\LibraryFiles;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Marks;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that reads a garden file and does something with its plan. A refused file: every fault on stderr, exit 2. */
abstract class GardenCommand extends Command
{
    protected const REFUSED = GivenFile::REFUSED;

    public function __construct(private readonly LibraryFiles $files)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a garden file, or - for standard input');
    }

    final protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $library = $this->files->library();
        try {
            $garden = $this->files->reader($library)->read(GivenFile::text($input->getArgument('file')));
        } catch (RefusedGarden $refused) {
            return GivenFile::refused($refused, $output);
        }

        return $this->answer($garden, new Planner(Marks::all(), $library), $input, $output);
    }

    abstract protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int;

    /** What is asked that cannot be done, on a line of its own. */
    final protected static function refused(OutputInterface $output, string $why): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $errors->writeln("bin/kelp: $why", OutputInterface::OUTPUT_RAW);

        return self::REFUSED;
    }

    /** The tub that is asked for, or the only one there is; otherwise what to say. */
    final protected static function tubAsked(Garden $garden, string $id): Tub|string
    {
        $tub = $id === '' && count($garden->tubs) === 1 ? $garden->tubs[0] : $garden->tub($id);
        $tubs = implode(', ', array_column($garden->tubs, 'id'));

        return $tub ?? ($id === '' ? "say which tub: --tub, one of $tubs" : "there is no tub $id; there are $tubs");
    }

    /** Into the file that is asked for, whole or not at all; without one to standard output. */
    final protected static function written(string $content, InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getOption('out');
        if (! is_string($file) || $file === '-') {
            $output->write($content, false, OutputInterface::OUTPUT_RAW);

            return self::SUCCESS;
        }
        $beside = "$file.part";
        if (@file_put_contents($beside, $content) !== strlen($content) || ! @rename($beside, $file)) {
            @unlink($beside);

            return self::refused($output, "$file cannot be written; see that its folder is there and may be written to");
        }

        return self::SUCCESS;
    }
}
