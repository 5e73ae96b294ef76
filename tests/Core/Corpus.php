<?php

declare(strict_types=1);

namespace Tests\Core;

use KelpTub\Core\Garden\Garden;
use stdClass;

/**
 * Gardens of every kind with a mark of each part of their reports, so that a change of the code which is to change nothing is seen to
 * change nothing.
 *
 * The marks are of figures to thirteen digits: the last ones of a sine or an exponential differ from processor to processor.
 * `KELP_CORPUS=write` writes the marks anew, for a change that is meant, and `KELP_CORPUS=first` stops at the first garden that differs;
 * `KELP_CORPUS_DUMP=FILE` writes the whole reports, to the last digit, to compare two states of the code.
 */
final class Corpus
{
    private const DIGITS = 13;

    private const FOLDER = __DIR__.'/../corpus';

    /** @return array<string, Garden> by name */
    public static function gardens(): array
    {
        $gardens = ['the demo' => Gardens::reader()->read((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'))];
        foreach (self::json('gardens') as $name => $given) {
            $gardens[$name] = isset($given['whole'])
                ? Gardens::of($given['whole'])
                : Gardens::tub($given['tub'] ?? [], $given['garden'] ?? [], $given['air'] ?? []);
        }

        return $gardens;
    }

    /** @return array<string, array<string, string>> of each garden by part of the report */
    public static function kept(string $file = 'reports'): array
    {
        return self::json($file);
    }

    /** @param  array<string, array<string, string>>  $marks */
    public static function keep(array $marks, string $file = 'reports'): void
    {
        $lines = array_map(
            static fn (string $name, array $parts): string => '    '.json_encode($name).': '.json_encode($parts),
            array_keys($marks),
            $marks,
        );
        file_put_contents(self::FOLDER."/$file.json", "{\n".implode(",\n", $lines)."\n}\n");
    }

    /** @return array<string, string> a mark of each part: of a tub's keys over all tubs, and of the rest */
    public static function marks(stdClass $report): array
    {
        $parts = ['air' => $report->air, 'parts' => $report->parts, 'budget' => $report->budget, 'findings' => $report->findings];
        foreach ($report->tubs as $i => $tub) {
            foreach (get_object_vars($tub) as $key => $value) {
                $parts["tubs.$key"][$i] = $value;
            }
        }
        ksort($parts);

        return self::marksOf($parts);
    }

    /**
     * @param  array<string, mixed>  $parts
     * @return array<string, string> a mark of each
     */
    public static function marksOf(array $parts): array
    {
        return array_map(static fn (mixed $part): string => substr(hash('sha256', (string) json_encode(self::plain($part))), 0, 8), $parts);
    }

    /** The same with the members of objects in the order of their names and figures to so many digits. */
    public static function plain(mixed $value, int $digits = self::DIGITS): mixed
    {
        if ($value instanceof stdClass) {
            $members = get_object_vars($value);
            ksort($members);

            return (object) array_map(static fn (mixed $v): mixed => self::plain($v, $digits), $members);
        }
        if (is_array($value)) {
            return array_map(static fn (mixed $v): mixed => self::plain($v, $digits), $value);
        }

        return is_float($value) || is_int($value) ? sprintf("%.{$digits}g", $value + 0) : $value;
    }

    /** @return array<string, mixed> */
    private static function json(string $name): array
    {
        $file = self::FOLDER."/$name.json";

        return is_file($file) ? json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR) : [];
    }
}
