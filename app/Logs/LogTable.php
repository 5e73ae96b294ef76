<?php

declare(strict_types=1);

namespace App\Logs;

use App\Tables\CsvText;
use Illuminate\Support\Str;
use JsonException;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Marks\Days\EntriesOfFile;
use stdClass;

/** A log as a table, out and in: CSV with columns by name in any order, or JSON; 5,000 rows at once, all or nothing. */
final class LogTable
{
    public const MOST_ROWS = 5000;

    private const COLUMNS = [
        'at', 'level_mm', 'ec_ms_cm', 'ph', 'water_c', 'top_up_l', 'top_up_ec', 'change', 'dose', 'harvest_g', 'picked', 'signs', 'did',
        'note', 'planting', 'photo', 'from', 'id',
    ];

    /** A dose as a table has it: "12.5 ml A; 3 g salts". */
    private const DOSE = '/^(\d+(?:\.\d+)?) (ml|g) (\S.*)$/';

    private const NUMBERS = ['level_mm', 'ec_ms_cm', 'ph', 'water_c', 'top_up_l', 'top_up_ec', 'harvest_g'];

    private const MOST_FAULTS = 20;

    public static function csv(Entries $entries): string
    {
        $rows = [self::COLUMNS];
        foreach ($entries->all as $entry) {
            $rows[] = array_map(static fn (string $column): string => self::cell($entry->raw->{$column} ?? null), self::COLUMNS);
        }

        return CsvText::of($rows);
    }

    public static function json(Entries $entries): string
    {
        return GardenFile::encode((object) [
            'entries' => array_map(static fn (Entry $entry): stdClass => $entry->raw, $entries->all),
        ], pretty: true)."\n";
    }

    private static function cell(mixed $value): string
    {
        return match (true) {
            $value === null, $value === false => '',
            $value === true => 'yes',
            is_array($value) => implode(' ', $value),
            $value instanceof stdClass => implode('; ', array_map(
                static fn (string $name, stdClass $of): string => self::cell($of->ml ?? $of->g).(isset($of->ml) ? ' ml ' : ' g ').$name,
                array_keys(get_object_vars($value)),
                get_object_vars($value),
            )),
            is_float($value) => rtrim(rtrim(number_format($value, 6, '.', ''), '0'), '.'),
            default => (string) $value,
        };
    }

    /**
     * Entries of a text, each with a name of its own where it has none.
     *
     * @return list<stdClass>
     *
     * @throws RefusedGarden with every row that will not do
     */
    public static function read(string $text, string $tub, int $copy, stdClass $document): array
    {
        $raws = preg_match('/^\s*[{\[]/', $text) === 1 ? self::ofJson($text) : self::ofCsv($text);
        $reader = EntriesOfFile::reader($document);
        $plantings = array_map(static fn (stdClass $p): string => $p->id, $document->plantings ?? []);
        $faults = [];
        foreach ($raws as $row => $raw) {
            // One with a name comes out of a log as it was; read in where it is from, it is known.
            if (! isset($raw->id)) {
                $raw->id = (string) Str::ulid();
                $raw->from ??= 'import';
            }
            if (! in_array($raw->planting ?? null, $plantings, true)) {
                unset($raw->planting);
                $raw->tub ??= $tub;
                $raw->copy ??= $copy;
            }
            $entry = $reader->read($raw);
            foreach ($entry instanceof Entry ? [] : $entry as $member => $why) {
                $faults[] = new Fault("/rows/$row/$member", $why);
            }
            if (count($faults) >= self::MOST_FAULTS) {
                break;
            }
        }
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }

        return array_values($raws);
    }

    /** @return array<int, stdClass> by row, the first of them 1 */
    private static function ofJson(string $text): array
    {
        try {
            $read = json_decode($text, false, 16, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw RefusedGarden::one('/text', 'is not JSON ('.lcfirst($e->getMessage()).')');
        }
        $list = $read instanceof stdClass ? $read->entries ?? [] : $read;
        if (! is_array($list) || count($list) > self::MOST_ROWS) {
            throw RefusedGarden::one('/text', 'is no list of entries, or has more than '.self::MOST_ROWS);
        }
        $raws = [];
        foreach (array_values($list) as $i => $raw) {
            $raws[$i + 1] = $raw instanceof stdClass ? $raw : throw RefusedGarden::one('/rows/'.($i + 1), 'is not an object');
        }

        return $raws;
    }

    /** @return array<int, stdClass> by row of the table, the headings being row 1 */
    private static function ofCsv(string $text): array
    {
        $rows = CsvText::rows($text, self::MOST_ROWS + 2);
        $columns = array_map(static fn (string $name): string => mb_strtolower($name), $rows[0] ?? []);
        if (! in_array('at', $columns, true) || array_diff(array_filter($columns), self::COLUMNS) !== []) {
            $unknown = array_diff(array_filter($columns), self::COLUMNS);
            throw RefusedGarden::one('/rows/1', (
                $unknown === [] ? 'names no "at"' : 'names "'.implode('", "', $unknown).'", which no entry has'
            )
                .'; the columns are '.implode(', ', self::COLUMNS));
        }
        if (count($rows) > self::MOST_ROWS + 1) {
            throw RefusedGarden::one('/text', 'has more than '.self::MOST_ROWS.' rows');
        }
        $commas = self::decimals($rows);
        $raws = [];
        foreach (array_slice($rows, 1, null, true) as $i => $cells) {
            if (array_filter($cells, static fn (string $cell): bool => $cell !== '') !== []) {
                $raws[$i + 1] = self::raw($columns, $cells, $commas);
            }
        }

        return $raws;
    }

    /**
     * Whether decimals are written with a comma; a table that has both is refused, since a number of either may be thousands.
     *
     * @param  list<list<string>>  $rows
     */
    private static function decimals(array $rows): bool
    {
        $points = $commas = null;
        foreach (array_slice($rows, 1, null, true) as $i => $cells) {
            foreach ($cells as $cell) {
                $points ??= preg_match('/^-?\d+\.\d+$/', $cell) === 1 ? $i + 1 : null;
                $commas ??= preg_match('/^-?\d+,\d+$/', $cell) === 1 ? $i + 1 : null;
            }
        }
        if ($points !== null && $commas !== null) {
            throw RefusedGarden::one(
                '/rows/'.max($points, $commas),
                'has decimals otherwise than row '.min($points, $commas).'; use points or commas, not both',
            );
        }

        return $commas !== null;
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $cells
     */
    private static function raw(array $columns, array $cells, bool $commas): stdClass
    {
        $raw = new stdClass;
        foreach ($columns as $at => $column) {
            $cell = $cells[$at] ?? '';
            if ($cell === '' || $column === '') {
                continue;
            }
            $plain = $commas ? str_replace(',', '.', $cell) : $cell;
            $raw->{$column} = match (true) {
                in_array($column, self::NUMBERS, true) => is_numeric($plain) ? (float) $plain : $cell,
                $column === 'picked' => preg_match('/^\d+$/', $cell) === 1 ? (int) $cell : $cell,
                $column === 'change' => in_array(mb_strtolower($cell), ['yes', 'true', '1', 'y', 'x'], true),
                $column === 'signs', $column === 'did' => array_values(array_filter(preg_split('/[\s;]+/', $cell) ?: [])),
                $column === 'at' => (string) preg_replace('/^(\d{4}-\d\d-\d\d)[ T](\d\d:\d\d).*$/', '$1T$2', $cell),
                $column === 'dose' => self::dose($commas ? (string) preg_replace('/(\d),(\d)/', '$1.$2', $cell) : $cell),
                default => $cell,
            };
        }

        return $raw;
    }

    /** Amounts by their parts; the text itself where it is none, for the reader of entries to say so. */
    private static function dose(string $cell): stdClass|string
    {
        $dose = new stdClass;
        foreach (explode(';', $cell) as $part) {
            if (preg_match(self::DOSE, trim($part), $m) !== 1) {
                return $cell;
            }
            $dose->{$m[3]} = (object) [$m[2] => (float) $m[1]];
        }

        return $dose;
    }
}
