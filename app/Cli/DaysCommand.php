<?php

declare(strict_types=1);

namespace App\Cli;

use App\Exports\CalendarFile;
use App\Exports\DaysCsv;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Numbers\Dates;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('days', 'What is to be done on which day, as a calendar file, CSV or JSON.')]
final class DaysCommand extends DiaryCommand
{
    /** A season before and after now, where no dates are given. */
    private const BACK_DAYS = 14;

    private const AHEAD_DAYS = 180;

    protected function configure(): void
    {
        parent::configure();
        $this->addOption('as', null, InputOption::VALUE_REQUIRED, 'ics, csv or json', 'json')
            ->addOption('from', null, InputOption::VALUE_REQUIRED, 'the first day')
            ->addOption('to', null, InputOption::VALUE_REQUIRED, 'the last day')
            ->addOption('alarm', null, InputOption::VALUE_NONE, 'with a reminder at 8 in the morning')
            ->addOption('out', null, InputOption::VALUE_REQUIRED, 'into this file; a calendar that is there already is brought up to date');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $as = (string) $input->getOption('as');
        if (! in_array($as, ['ics', 'csv', 'json'], true)) {
            return self::refused($output, "--as is \"$as\"; it is ics, csv or json");
        }
        $moment = self::moment($input->getOption('now'));
        if (is_string($moment)) {
            return self::refused($output, $moment);
        }
        $range = [];
        foreach (['from' => $moment[0] - self::BACK_DAYS, 'to' => $moment[0] + self::AHEAD_DAYS] as $option => $usual) {
            $date = $input->getOption($option);
            if ($date !== null && ! Dates::are((string) $date)) {
                return self::refused($output, "--$option is \"$date\", no date; it reads 2027-04-10");
            }
            $range[] = $date === null ? $usual : Dates::number((string) $date);
        }
        $diary = self::diary($garden, $planner, $moment);
        $items = $diary->days(...$range);

        return self::written(match ($as) {
            'ics' => CalendarFile::of(
                $items,
                $garden->name,
                substr(hash('xxh128', $garden->name), 0, 12).'.kelp-tub',
                CalendarFile::stamp($moment[0] + $moment[1] / Dates::MINUTES_A_DAY),
                self::before($input),
                $input->getOption('alarm') === true,
            ),
            'csv' => DaysCsv::of($items, $diary->today(), $garden),
            default => Json::pretty(array_map(static fn (Item $i): stdClass => $i->toReport($diary->today()), $items))."\n",
        }, $input, $output);
    }

    /** The calendar that is to be brought up to date, where there is one. */
    private static function before(InputInterface $input): ?string
    {
        $file = $input->getOption('out');

        return is_string($file) && is_file($file) ? (string) file_get_contents($file) : null;
    }
}
