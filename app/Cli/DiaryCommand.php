<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Marks\Days\EntriesOfFile;
use KelpTub\Core\Marks\Days\Plantings;
use KelpTub\Core\Numbers\Dates;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;

/** A command about what grows: by the clock of this machine, or by one that is given. */
abstract class DiaryCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('now', null, InputOption::VALUE_REQUIRED, 'the moment that counts as now: 2027-04-18 or 2027-04-18T08:00');
    }

    /** Options that say of which copy of a tub. */
    protected function addPlaceOptions(): void
    {
        $this->addOption('planting', null, InputOption::VALUE_REQUIRED, 'id of a planting')
            ->addOption('tub', null, InputOption::VALUE_REQUIRED, 'id of a tub, in place of a planting')
            ->addOption('copy', null, InputOption::VALUE_REQUIRED, 'which of several alike', '1');
    }

    /** @return array{int, int}|string day and minute; or what is wrong */
    protected static function moment(?string $given, string $option = 'now'): array|string
    {
        $text = $given ?? date('Y-m-d\TH:i');

        return EntryReader::moment(strlen($text) === 10 ? "{$text}T12:00" : $text)
            ?? "--$option is \"$text\"; it is a date or a moment, as in 2027-04-18T08:00";
    }

    /** @param  array{int, int}  $moment */
    protected static function diary(Garden $garden, Planner $planner, array $moment): Diary
    {
        $now = $moment[0] + $moment[1] / Dates::MINUTES_A_DAY;

        return new Diary($planner, $garden, EntriesOfFile::of($garden->document), $now);
    }

    /** @return array{Tub, int, string|null}|string tub, copy and planting; or what is wrong */
    protected static function place(Garden $garden, InputInterface $input): array|string
    {
        $planting = $input->getOption('planting');
        if ($planting !== null) {
            $found = $garden->of(Plantings::class)->byId((string) $planting);
            $tub = $found === null ? null : $garden->tub($found->tub);
            $all = implode(', ', array_column($garden->of(Plantings::class)->all, 'id'));

            return $found === null || $tub === null
                ? "there is no planting $planting with a date; ".($all === '' ? 'none is' : "there are $all")
                : [$tub, $found->copy, $found->id];
        }
        $tub = self::tubAsked($garden, (string) $input->getOption('tub'));
        $copy = filter_var($input->getOption('copy'), FILTER_VALIDATE_INT);

        return match (true) {
            is_string($tub) => $tub,
            $copy === false || $copy < 1 || $copy > $tub->count => "--copy is \"{$input->getOption('copy')}\"; there "
                .($tub->count === 1 ? 'is 1' : "are $tub->count")." of $tub->id",
            default => [$tub, $copy, null],
        };
    }
}
