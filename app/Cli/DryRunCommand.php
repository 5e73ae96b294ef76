<?php

declare(strict_types=1);

namespace App\Cli;

use InvalidArgumentException;
use KelpTub\Core\DryRun\Decision;
use KelpTub\Core\DryRun\Luck;
use KelpTub\Core\DryRun\Odds;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\WhatIf\LivedSeason;
use KelpTub\Core\WhatIf\SeasonOdds;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('dry-run', 'Lives through a tub\'s season: what a seed hides and brings, and what comes of what is decided.')]
final class DryRunCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('tub', null, InputOption::VALUE_REQUIRED, 'id of the tub')
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'what is hidden and goes wrong, 0 to '.Luck::MOST_SEED, '1')
            ->addOption('decisions', null, InputOption::VALUE_REQUIRED, 'a file of what is done on which day; its habits without')
            ->addOption('seeds', null, InputOption::VALUE_REQUIRED, 'the design under its own habits over so many seeds, 1 to '.Odds::MOST)
            ->addOption('json', null, InputOption::VALUE_NONE, 'as JSON, and nothing else');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $tub = self::tubAsked($garden, (string) $input->getOption('tub'));
        $seed = self::whole($input, 'seed', 0, Luck::MOST_SEED);
        $seeds = $input->getOption('seeds') === null ? null : self::whole($input, 'seeds', 1, Odds::MOST);
        foreach ([$tub, $seed, $seeds] as $asked) {
            if (is_string($asked)) {
                return self::refused($output, $asked);
            }
        }
        assert($tub instanceof Tub);
        try {
            $season = new LivedSeason($planner, $garden, $tub, (int) $seed);
        } catch (InvalidArgumentException $refused) {
            return self::refused($output, $refused->getMessage());
        }
        $isJson = $input->getOption('json') === true;
        $write = new QuantityWriter($garden->units);
        if ($seeds !== null) {
            $odds = (new SeasonOdds($planner, $planner->aids->library))->of($garden, $tub, (int) $seeds, (int) $seed);
            $isJson ? $output->writeln(Json::pretty($odds), OutputInterface::OUTPUT_RAW) : self::odds($odds, $write, $output);

            return self::SUCCESS;
        }
        $decisions = self::decisions($input->getOption('decisions'), $season);
        $faults = array_filter($decisions ?? [], is_string(...));
        if ($faults !== []) {
            foreach (array_slice($faults, 0, 20) as $fault) {
                self::refused($output, $fault);
            }

            return self::REFUSED;
        }
        /** @var list<Decision>|null $decisions */
        $told = $season->told($decisions);
        $isJson ? $output->writeln(Json::pretty($told), OutputInterface::OUTPUT_RAW) : self::told($told, $write, $output);

        return self::SUCCESS;
    }

    private static function whole(InputInterface $input, string $option, int $least, int $most): int|string
    {
        $given = $input->getOption($option);
        $whole = filter_var($given, FILTER_VALIDATE_INT);

        return $whole === false || $whole < $least || $whole > $most
            ? "--$option is \"$given\"; it is a whole number from $least to $most"
            : $whole;
    }

    /** @return list<Decision>|list<string>|null null where none are given */
    private static function decisions(?string $file, LivedSeason $season): ?array
    {
        if ($file === null) {
            return null;
        }
        $text = is_file($file) ? @file_get_contents($file) : false;
        if ($text === false) {
            return ["--decisions is \"$file\", which is no file that can be read"];
        }

        return $season->decisions(json_decode($text, false, 16));
    }

    private static function told(stdClass $told, QuantityWriter $w, OutputInterface $output): void
    {
        $say = static fn (string $line) => $output->writeln($line, OutputInterface::OUTPUT_RAW);
        $say("Seed $told->seed, ".$w->count(count($told->days), '1 day', '%d days').'.');
        foreach ($told->mishaps as $m) {
            $shows = $m->seen_on === null ? ', which nothing tells' : ", to be seen on day $m->seen_on";
            $say("  day $m->day: ".$m->says."$shows.");
        }
        foreach ($told->decisions as $d) {
            $worth = $w->picked(abs($d->worth_g));
            $say("  day $d->day: $d->do, ".(abs($d->worth_g) < 0.5 ? 'worth nothing' : ($d->worth_g > 0 ? "worth $worth" : "cost $worth"))
                .($d->advised === null ? '' : "; its habit: $d->advised").'.');
        }
        $say(($told->killed_day === null ? '' : "It died on day $told->killed_day. ").sprintf(
            '%s picked of the %s that there could have been, with %s of water%s.',
            $w->picked($told->harvest_g),
            $w->picked($told->best_g),
            $w->volume($told->water_l),
            $told->minutes > 0 ? " and {$told->minutes} min of work" : '',
        ));
        foreach ($told->otherwise as $way) {
            $say("  $way->says");
        }
    }

    private static function odds(stdClass $odds, QuantityWriter $w, OutputInterface $output): void
    {
        $say = static fn (string $line) => $output->writeln($line, OutputInterface::OUTPUT_RAW);
        $say(sprintf(
            'In %d of %d seasons it brings %s; %s, %s, %s in one of ten, the middle, nine of ten.',
            $odds->came_through,
            $odds->runs,
            $odds->planned_g > 0.0 ? 'at least half of the planned '.$w->picked($odds->planned_g) : 'anything, and none is planned',
            ...array_map(static fn (float $g): string => $w->picked($g), $odds->harvest_g),
        ));
        foreach ((array) $odds->killed_by as $kind => $many) {
            $say("  lost by $kind: $many");
        }
        if ($odds->helps_most !== null) {
            $say("  {$odds->helps_most->says}: {$odds->helps_most->came_through} of $odds->runs come through.");
        }
    }
}
