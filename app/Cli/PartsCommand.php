<?php

declare(strict_types=1);

namespace App\Cli;

use App\Exports\BuildPdf;
use App\Exports\Paper;
use App\Exports\PartsCsv;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('parts', 'The garden\'s parts list, as it is bought.')]
final class PartsCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('as', null, InputOption::VALUE_REQUIRED, 'csv, json or pdf', 'csv')
            ->addOption('paper', null, InputOption::VALUE_REQUIRED, 'a4 or letter, for PDF')
            ->addOption('out', null, InputOption::VALUE_REQUIRED, 'the file to write; standard output without it');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $paper = Paper::asked($input->getOption('paper'), $garden->units);
        if ($paper === null) {
            return self::refused($output, "there is no paper {$input->getOption('paper')}; there are a4 and letter");
        }
        $report = $planner->written($planner->plan($garden), []);
        $file = match ($input->getOption('as')) {
            'csv' => PartsCsv::of($report),
            'json' => Json::pretty($report->parts)."\n",
            'pdf' => BuildPdf::parts($report, $garden->name, $paper),
            default => null,
        };

        return $file === null
            ? self::refused($output, "there is no parts list as {$input->getOption('as')}; there are csv, json and pdf")
            : self::written($file, $input, $output);
    }
}
