<?php

declare(strict_types=1);

namespace App\Cli;

use App\Exports\Paper;
use App\Exports\TemplateFile;
use App\Exports\TooManySheets;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Build\Templates;
use KelpTub\Core\Marks\Feed\FeedPlans;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('template', 'A tub\'s templates at 1 : 1: lid, wall marks, gauge and what else it has.')]
final class TemplateCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('tub', null, InputOption::VALUE_REQUIRED, 'id of the tub', '')
            ->addOption('as', null, InputOption::VALUE_REQUIRED, 'pdf, svg or dxf', 'pdf')
            ->addOption('paper', null, InputOption::VALUE_REQUIRED, 'a4 or letter, for PDF')
            ->addOption('what', null, InputOption::VALUE_REQUIRED, 'lid, wall, adapter, raft, gauge, wrap, collar or all', '')
            ->addOption('out', null, InputOption::VALUE_REQUIRED, 'the file to write; standard output without it');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $tub = self::tubAsked($garden, (string) $input->getOption('tub'));
        if (is_string($tub)) {
            return self::refused($output, $tub);
        }
        $sheets = (new Templates($planner->plan($garden)->get(FeedPlans::class)->of($tub->id), $garden))->all();
        $what = (string) $input->getOption('what');
        $what = $what === '' ? (string) array_key_first($sheets) : $what;
        if ($what !== 'all' && ! isset($sheets[$what])) {
            return self::refused($output, "$tub->name has no template $what; it has ".implode(', ', array_keys($sheets)).' and all');
        }
        $paper = Paper::asked($input->getOption('paper'), $garden->units);
        if ($paper === null) {
            return self::refused($output, "there is no paper {$input->getOption('paper')}; there are a4 and letter");
        }
        try {
            $file = TemplateFile::of($sheets, $what, (string) $input->getOption('as'), $paper);
        } catch (TooManySheets $refused) {
            return self::refused($output, $refused->getMessage());
        }

        return $file === null
            ? self::refused($output, "there is no template as {$input->getOption('as')}; there are pdf, svg and dxf")
            : self::written($file, $input, $output);
    }
}
