<?php

declare(strict_types=1);

namespace App\Cli;

use App\Exports\BuildPdf;
use App\Exports\Paper;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Build\BuildReport;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('build', 'A tub\'s build sheet: what to do at the bench, step by step, with its numbers.')]
final class BuildCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('tub', null, InputOption::VALUE_REQUIRED, 'id of the tub', '')
            ->addOption('copy', null, InputOption::VALUE_REQUIRED, 'which of several alike', '1')
            ->addOption('as', null, InputOption::VALUE_REQUIRED, 'text, json or pdf', 'text')
            ->addOption('paper', null, InputOption::VALUE_REQUIRED, 'a4 or letter, for PDF')
            ->addOption('out', null, InputOption::VALUE_REQUIRED, 'the file to write; standard output without it');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $tub = self::tubAsked($garden, (string) $input->getOption('tub'));
        if (is_string($tub)) {
            return self::refused($output, $tub);
        }
        $copy = (string) $input->getOption('copy');
        if (! ctype_digit($copy) || (int) $copy < 1 || (int) $copy > $tub->count) {
            return self::refused($output, "there is no copy $copy of $tub->name; there are $tub->count");
        }
        $paper = Paper::asked($input->getOption('paper'), $garden->units);
        if ($paper === null) {
            return self::refused($output, "there is no paper {$input->getOption('paper')}; there are a4 and letter");
        }
        $plan = $planner->plan($garden);
        $sheet = BuildReport::of($plan, $tub, (int) $copy);
        $file = match ($input->getOption('as')) {
            'text' => self::text($sheet),
            'json' => Json::pretty($sheet)."\n",
            'pdf' => BuildPdf::sheet($sheet, array_column($planner->written($plan, [])->tubs, null, 'id')[$tub->id], $garden, $paper),
            default => null,
        };

        return $file === null
            ? self::refused($output, "there is no build sheet as {$input->getOption('as')}; there are text, json and pdf")
            : self::written($file, $input, $output);
    }

    private static function text(stdClass $sheet): string
    {
        $text = "$sheet->name, $sheet->minutes min of work\n\nDays, counted from planting\n";
        foreach ($sheet->days as $day) {
            $text .= sprintf("%5d  %s%s\n", $day->day, $day->date === null ? '' : "$day->date: ", $day->does);
        }
        foreach ($sheet->steps as $n => $step) {
            $text .= "\n".($n + 1).". $step->title".($step->ticked === null ? '' : " (done $step->ticked)")."\n   $step->does\n";
            foreach ($step->figures as $figure) {
                $text .= "   $figure->label: $figure->value\n";
            }
            $things = implode('; ', array_column([...$step->parts, ...$step->tools], 'name'));
            $text .= $things === '' ? '' : "   With: $things\n";
            foreach ($step->cautions as $caution) {
                $text .= "   CAUTION: $caution->says\n";
            }
            $text .= "   Done when: $step->done_when\n".($step->if_not === null ? '' : "   If not: $step->if_not\n");
        }

        return $text;
    }
}
