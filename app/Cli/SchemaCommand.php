<?php

declare(strict_types=1);

namespace App\Cli;

use App\Library\LibraryFiles;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('schema', 'Prints a JSON Schema: of a garden, its report, an entry of its log, its days, a diary, a dry run, or a wish.')]
final class SchemaCommand extends Command
{
    private const NAMES = ['garden', 'report', 'answers', 'entry', 'days', 'diary', 'dry-run', 'odds', 'wish', 'wish-answer'];

    public function __construct(private readonly LibraryFiles $files)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::REQUIRED, implode(', ', self::NAMES), suggestedValues: self::NAMES);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $name = $input->getArgument('name');
        if (! in_array($name, self::NAMES, true)) {
            $output->writeln("There is no schema \"$name\"; there are ".implode(', ', self::NAMES).'.', OutputInterface::OUTPUT_RAW);

            return self::INVALID;
        }
        $output->writeln(
            json_encode(
                $this->files->schema($name),
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
