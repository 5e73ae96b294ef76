<?php

declare(strict_types=1);

namespace App\Cli;

use App\Library\LibraryFiles;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Lid\RegularMemory;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Wish\Wish;
use KelpTub\Core\Wish\WishAnswer;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('wish', 'Offers whole gardens for what somebody would like to eat, with the room, the time and the money there is.')]
final class WishCommand extends Command
{
    public function __construct(private readonly LibraryFiles $files)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a wish, or - for standard input')
            ->addOption('json', null, InputOption::VALUE_NONE, 'as JSON, and nothing else');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $library = $this->files->library();
        try {
            $wish = $this->files->wishes($library)->read(GivenFile::text($input->getArgument('file')));
        } catch (RefusedGarden $refused) {
            return GivenFile::refused($refused, $output);
        }
        $answer = (new WishAnswer(new Planner(Marks::all(), $library, new RegularMemory), $wish))->of();
        $input->getOption('json') === true
            ? $output->writeln(Json::pretty($answer), OutputInterface::OUTPUT_RAW)
            : self::told($answer, $wish, $output);

        return $answer->designs === [] ? self::FAILURE : self::SUCCESS;
    }

    private static function told(stdClass $answer, Wish $wish, OutputInterface $output): void
    {
        $say = static fn (string $line) => $output->writeln($line, OutputInterface::OUTPUT_RAW);
        $w = new QuantityWriter(UnitSystem::from($wish->units));
        foreach ($answer->designs as $design) {
            $f = $design->figures;
            $say($design->says);
            $say(sprintf(
                '  %s %s to buy, %s a month; %s to %s a week, the first %s after sowing; %s a week; %s, %s; away for %s.',
                QuantityWriter::plain($f->outlay, 2), $wish->currency, QuantityWriter::plain($f->monthly, 2),
                $w->picked($f->g_a_week[0]), $w->picked($f->g_a_week[1]),
                $f->first_harvest_day === null ? 'never' : $w->count($f->first_harvest_day, 'a day', '%d days'),
                $w->count($f->visits_a_week, 'one visit', '%d visits'),
                $w->volume($f->litres), $w->mass($f->mass_kg), $w->count($f->away_days, 'a day', '%d days'),
            ));
            foreach ($design->breaks as $breaks) {
                $say("  but: $breaks");
            }
        }
        if ($answer->designs === []) {
            $say('Nothing was found that is what was wished.');
        }
        foreach ($answer->loosen as $way) {
            $say("  with $way->says there is");
        }
        foreach ($answer->left_out as $out) {
            $say("  left out: $out->count, $out->says");
        }
    }
}
