<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Diary\DiaryReport;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('diagnose', 'What a log means: what was learned, and what seems to be amiss.')]
final class DiagnoseCommand extends DiaryCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addPlaceOptions();
        $this->addOption('json', null, InputOption::VALUE_NONE, 'as JSON, and nothing else');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $place = self::place($garden, $input);
        $moment = self::moment($input->getOption('now'));
        if (is_string($place) || is_string($moment)) {
            return self::refused($output, is_string($place) ? $place : (string) $moment);
        }
        $diagnosis = DiaryReport::diagnosis(self::diary($garden, $planner, $moment)->copy($place[0], $place[1]));
        $input->getOption('json') === true
            ? $output->writeln(Json::pretty($diagnosis), OutputInterface::OUTPUT_RAW)
            : self::told($diagnosis, $output);

        return self::SUCCESS;
    }

    private static function told(stdClass $diagnosis, OutputInterface $output): void
    {
        foreach (['use' => 'drinks', 'uptake' => 'eats'] as $of => $verb) {
            $learned = $diagnosis->learned->{$of};
            if ($learned !== null) {
                $output->writeln(sprintf(
                    'It %s %.2f of the forecast, %.2f to %.2f, by %d intervals.',
                    $verb,
                    $learned->factor,
                    $learned->low,
                    $learned->high,
                    $learned->intervals,
                ), OutputInterface::OUTPUT_RAW);
            }
        }
        foreach ($diagnosis->findings as $finding) {
            $output->writeln([
                "$finding->code ($finding->word)",
                "  $finding->says $finding->why",
                "  Do: $finding->do",
                "  Look: $finding->check",
            ],
                OutputInterface::OUTPUT_RAW);
        }
        if ($diagnosis->findings === []) {
            $output->writeln('The log says nothing amiss.', OutputInterface::OUTPUT_RAW);
        }
    }
}
