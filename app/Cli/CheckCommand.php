<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Severity;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('check', 'Lists the findings on a garden; exit 1 if any is a stop.')]
final class CheckCommand extends GardenCommand
{
    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $findings = $planner->findings($planner->plan($garden));
        foreach ($findings as $finding) {
            $output->writeln(FindingLine::of($finding), OutputInterface::OUTPUT_RAW);
        }
        if ($findings === []) {
            $output->writeln('Nothing found.');
        }

        return $findings !== [] && $findings[0]->severity === Severity::Stop ? self::FAILURE : self::SUCCESS;
    }
}
