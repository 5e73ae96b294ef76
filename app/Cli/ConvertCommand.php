<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Units\QuantityReader;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\Unit;
use KelpTub\Core\Units\UnreadableQuantity;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('convert', 'Converts a measure as growers write it: kelp convert "2 3/8 in" mm')]
final class ConvertCommand extends Command
{
    private const REFUSED = 2;

    /** Digits after the point that are written. */
    private const DECIMALS = 9;

    protected function configure(): void
    {
        $this->addArgument('measure', InputArgument::REQUIRED, 'what to convert, with its unit');
        $this->addArgument('unit', InputArgument::REQUIRED, 'the unit wanted');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $wanted = Unit::named($input->getArgument('unit'));
        try {
            if ($wanted === null) {
                throw UnreadableQuantity::unknownUnit($input->getArgument('unit'), $input->getArgument('unit'), null);
            }
            $reading = QuantityReader::readAny($input->getArgument('measure'));
            if ($reading->unit->dimension !== $wanted->dimension) {
                throw UnreadableQuantity::wrongDimension($reading->text, $reading->unit->dimension, $wanted->dimension);
            }
        } catch (UnreadableQuantity $refused) {
            $errors->writeln($refused->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::REFUSED;
        }
        $output->writeln(
            QuantityWriter::plain($wanted->fromCore($reading->value), self::DECIMALS).' '.$wanted->symbol,
            OutputInterface::OUTPUT_RAW,
        );
        foreach (array_unique(array_filter([$reading->unit->note, $wanted->note])) as $note) {
            $errors->writeln("read as: $note", OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}
