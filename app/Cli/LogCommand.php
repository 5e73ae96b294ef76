<?php

declare(strict_types=1);

namespace App\Cli;

use Illuminate\Support\Str;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Marks\Days\EntriesOfFile;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('log', 'Reads one line as a grower writes it, as an entry of the log.')]
final class LogCommand extends DiaryCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addPlaceOptions();
        $this->addOption('say', null, InputOption::VALUE_REQUIRED, 'the line: "pH 6.3, EC 1.7, topped up 3 L"')
            ->addOption('at', null, InputOption::VALUE_REQUIRED, 'when it was; now without it')
            ->addOption('write', null, InputOption::VALUE_NONE, 'put the entry into the file too');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $place = self::place($garden, $input);
        $moment = self::moment($input->getOption('at') ?? $input->getOption('now'), 'at');
        $line = (string) $input->getOption('say');
        if (is_string($place) || is_string($moment)) {
            return self::refused($output, is_string($place) ? $place : (string) $moment);
        }
        if (trim($line) === '') {
            return self::refused($output, 'say what was read or done: --say "pH 6.3, EC 1.7"');
        }
        [$tub, $copy, $planting] = $place;
        $read = self::diary($garden, $planner, $moment)->read($tub, $copy, $line, $moment[1]);
        $raw = (object) [
            'id' => (string) Str::ulid(),
            ...($planting === null ? [] : ['planting' => $planting]),
            'tub' => $tub->id,
            'copy' => $copy,
            ...get_object_vars(json_decode((string) json_encode($read->entry), false, 16, JSON_THROW_ON_ERROR)),
            ...($read->left === '' ? [] : ['note' => $read->left]),
        ];
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        foreach ($read->asks as $ask) {
            $errors->writeln("bin/kelp: \"$ask[text]\": $ask[question]", OutputInterface::OUTPUT_RAW);
        }
        $entry = EntriesOfFile::reader($garden->document)->read($raw);
        if (! $entry instanceof Entry) {
            return self::refused(
                $output,
                implode('; ', array_map(static fn (string $k, string $v): string => "$k $v", array_keys($entry), $entry)),
            );
        }
        $file = (string) $input->getArgument('file');
        if ($input->getOption('write') === true && ($read->asks !== [] || $file === '-')) {
            return self::refused($output, $file === '-'
                ? 'there is no file to write to: the garden came from standard input'
                : 'nothing was written: say it so that nothing has to be asked');
        }
        if ($input->getOption('write') === true) {
            $document = clone $garden->document;
            $document->entries = [...($document->entries ?? []), $raw];
            $text = GardenFile::encode($document, pretty: true)."\n";
            if (@file_put_contents("$file.part", $text) !== strlen($text) || ! @rename("$file.part", $file)) {
                return self::refused($output, "$file cannot be written");
            }
        }
        $output->writeln(Json::pretty($raw), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
