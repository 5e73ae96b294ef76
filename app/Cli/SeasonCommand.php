<?php

declare(strict_types=1);

namespace App\Cli;

use InvalidArgumentException;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonRuns;
use KelpTub\Core\WhatIf\SeasonYears;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('season', 'One tub\'s season day by day: level, EC, oxygen, top-ups and changes.')]
final class SeasonCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('tub', null, InputOption::VALUE_REQUIRED, 'id of the tub')
            ->addOption('policy', null, InputOption::VALUE_REQUIRED, 'looked after otherwise: top_ups=quarter,change=never', '')
            ->addOption('what-if', null, InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY, 'what happens in it: heat@20x3+8')
            ->addOption('leave', null, InputOption::VALUE_REQUIRED, 'nobody comes from day 30 on for nine days: 30x9')
            ->addOption('seeds', null, InputOption::VALUE_REQUIRED, 'how it fares in so many years of weather, 1 to 50')
            ->addOption('json', null, InputOption::VALUE_NONE, 'as JSON, and nothing else')
            ->addOption('csv', null, InputOption::VALUE_NONE, 'the days as CSV, for any spreadsheet');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $tub = self::tubAsked($garden, (string) $input->getOption('tub'));
        if (is_string($tub)) {
            return self::refused($output, $tub);
        }
        try {
            $ask = new SeasonAsk(
                SeasonAsk::policyOf((string) $input->getOption('policy')),
                array_values(array_map(strval(...), (array) $input->getOption('what-if'))),
                $input->getOption('leave') === null ? null : SeasonAsk::leaveOf((string) $input->getOption('leave')),
            );
            [$run] = (new SeasonRuns($planner, $planner->aids->library))->of($garden, $tub, [$ask]);
            $seeds = $input->getOption('seeds');
            if ($seeds !== null) {
                $many = filter_var($seeds, FILTER_VALIDATE_INT);
                if ($many === false) {
                    return self::refused($output, "--seeds is \"$seeds\"; it is a whole number, as in --seeds 20");
                }
                $run->years = (new SeasonYears($planner, $planner->aids->library))->of($garden, $tub, $ask, $many);
            }
        } catch (InvalidArgumentException $refused) {
            return self::refused($output, $refused->getMessage());
        }
        match (true) {
            $input->getOption('json') === true => $output->writeln(Json::pretty($run), OutputInterface::OUTPUT_RAW),
            $input->getOption('csv') === true => $output->write(self::csv($run->season->days ?? []), false, OutputInterface::OUTPUT_RAW),
            default => self::table($tub->name, $run, new QuantityWriter($garden->units), $output),
        };

        return self::SUCCESS;
    }

    /** A number to its last digit, as JSON has it. */
    private static function cell(mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? '1' : '0',
            $value === null => '',
            is_string($value) => $value,
            default => (string) json_encode($value, JSON_THROW_ON_ERROR),
        };
    }

    /** @param  list<stdClass>  $days */
    private static function csv(array $days): string
    {
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        foreach ($days as $i => $day) {
            $row = get_object_vars($day);
            if ($i === 0) {
                fputcsv($stream, array_keys($row), escape: '');
            }
            fputcsv($stream, array_map(self::cell(...), $row), escape: '');
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    private static function table(string $name, stdClass $run, QuantityWriter $w, OutputInterface $output): void
    {
        $output->writeln($name, OutputInterface::OUTPUT_RAW);
        if ($run->season->days === null) {
            $output->writeln('Nothing grows here, so there is no season.');

            return;
        }
        $rows = [];
        foreach ($run->season->days as $day) {
            $rows[] = [
                "  $day->day",
                $w->length($day->level_mm),
                $w->volume($day->volume_l),
                $day->ec_ms_cm === null ? '–' : $w->number($day->ec_ms_cm, 2, 'mS/cm'),
                $day->oxygen_mg_l === null ? '–' : $w->number($day->oxygen_mg_l, 1, 'mg/L'),
                match (true) {
                    $day->change => 'water changed',
                    $day->stronger > 0.0 && $day->top_up_l > 0.0 => 'feed stirred in, topped up '.$w->volume($day->top_up_l),
                    $day->stronger > 0.0 => 'feed stirred in',
                    $day->top_up_l > 0.0 => 'topped up '.$w->volume($day->top_up_l),
                    default => '',
                },
            ];
        }
        (new Table($output))->setStyle('compact')->setHeaders(['  day', 'level', 'water', 'EC', 'oxygen', ''])->setRows($rows)->render();
        $harvest = $run->season->harvest_day;
        $picked = $w->mass($run->season->harvest_g / 1000);
        $output->writeln($harvest === null
            ? 'No harvest'.($run->season->killed_day === null ? ' in two years.' : ": it dies on day {$run->season->killed_day}.")
            : "First harvest on day {$w->number($harvest, 0)}, $picked picked in all.", OutputInterface::OUTPUT_RAW);
        $output->writeln(sprintf(
            '%s of water in all, %s and %s before the first harvest.',
            $w->volume($run->season->water_l),
            $w->count($run->season->top_ups, '1 top-up', '%d top-ups'),
            $w->count($run->season->changes, '1 change', '%d changes'),
        ), OutputInterface::OUTPUT_RAW);
        if ($run->leave !== null) {
            self::leave($run->leave, $w, $output);
        }
        if (property_exists($run, 'years')) {
            self::years($run->years, $w, $output);
        }
    }

    private static function leave(stdClass $leave, QuantityWriter $w, OutputInterface $output): void
    {
        $before = $leave->before;
        $output->writeln(match (true) {
            $before === null => "Away from day $leave->day on: there is nothing to do the evening before.",
            $before->change => "Away from day $leave->day on: change the water the evening before.",
            $before->litres <= 0.0 => "Away from day $leave->day on: stir feed in the evening before.",
            default => "Away from day $leave->day on: top up {$w->volume($before->litres)} the evening before.",
        }, OutputInterface::OUTPUT_RAW);
        $output->writeln("It keeps for {$w->count($leave->most_days, '1 day', '%d days')}, then: ".match ($leave->limit) {
            'low' => 'the water is down to its lowest useful level.',
            'strong' => 'the EC is too high.',
            'airless' => 'oxygen falls short.',
            'dead' => 'it dies.',
            default => 'the season ends.',
        }, OutputInterface::OUTPUT_RAW);
        $output->writeln(sprintf(
            'After %s the water stands at %s, with %s.',
            $w->count($leave->days, '1 day', '%d days'),
            $w->length($leave->back->level_mm),
            $w->volume($leave->back->volume_l),
        ), OutputInterface::OUTPUT_RAW);
    }

    private static function years(?stdClass $years, QuantityWriter $w, OutputInterface $output): void
    {
        if ($years === null) {
            $output->writeln('Every year is the same here: the weather is steady.');

            return;
        }
        $of = fn (int $in): string => "in $in of {$w->count($years->years, '1 year', '%d years')}";
        $output->writeln(ucfirst($of($years->harvests)).' it comes to harvest'.($years->harvest_day === null ? '.' : sprintf(
            ', on day %s to %s.',
            $w->number($years->harvest_day[0], 0),
            $w->number($years->harvest_day[2], 0),
        )), OutputInterface::OUTPUT_RAW);
        foreach ($years->findings as $found) {
            $output->writeln("  $found->severity  $found->code  {$of($found->years)}", OutputInterface::OUTPUT_RAW);
        }
    }
}
