<?php

declare(strict_types=1);

namespace App\Library;

use App\Exports\PartsTable;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * A shelf of the Library as a table: comma separated, a row an item, a column a measure.
 *
 * A vessel's stations stand in one column, from the floor up: `0 Ø260; 340 Ø300`, or `0 500x320 r40; 300 560x370 r50`. Keep-outs and known
 * fills are in the JSON form only.
 */
final readonly class LibraryTable
{
    private const VESSEL = [
        'key', 'name', 'kind', 'label_l', 'opacity', 'empty_kg', 'floor_mm', 'cut_mm', 'braced', 'food_safe',
        'stations', 'lid', 'lid_thickness_mm', 'lid_make', 'lid_top_above_rim_mm',
    ];

    private const LONGEST_LINE = 20_000;

    private const MOST_LINES = 20_000;

    /** Columns of a vessel that are words, whatever they look like. */
    private const VESSEL_WORDS = ['key', 'name', 'kind', 'opacity', 'stations', 'lid', 'lid_make', 'braced', 'food_safe'];

    /** @param  stdClass  $definitions  of the garden's schema: an item's columns are the members that it has there */
    public function __construct(private stdClass $definitions)
    {
    }

    /** @return list<string> */
    public function columns(LibraryKind $kind): array
    {
        return $kind === LibraryKind::Vessels ? self::VESSEL : array_values(array_unique([
            'key',
            'name',
            ...array_keys(array_filter($this->members($kind), self::isPlain(...))),
        ]));
    }

    /** Whether a member fits in a cell: lists and objects are in the JSON form only. */
    private static function isPlain(stdClass $member): bool
    {
        return array_diff((array) ($member->type ?? []), ['array', 'object']) !== [] || isset($member->enum) || isset($member->{'$ref'});
    }

    /** @return list<string> columns that are words, whatever they look like */
    private function words(LibraryKind $kind): array
    {
        if ($kind === LibraryKind::Vessels) {
            return self::VESSEL_WORDS;
        }
        $words = array_filter(
            $this->members($kind),
            static fn (stdClass $member): bool => isset($member->enum) || ($member->type ?? '') === 'string',
        );

        return ['key', 'name', ...array_keys($words)];
    }

    /** @return array<string, stdClass> what the schema says of an item's members */
    private function members(LibraryKind $kind): array
    {
        $definition = $this->definitions->{$kind->definition()};
        foreach ($definition->anyOf ?? [] as $form) {
            $definition = isset($form->properties) ? $form : $definition;
        }

        return get_object_vars($definition->properties ?? new stdClass);
    }

    /** @param  array<string, stdClass>  $items by key */
    public function write(LibraryKind $kind, array $items): string
    {
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        $columns = $this->columns($kind);
        fputcsv($stream, $columns, escape: '');
        foreach ($items as $key => $item) {
            $flat = $kind === LibraryKind::Vessels ? self::flat($item) : get_object_vars($item);
            $flat['key'] = $key;
            fputcsv(
                $stream,
                array_map(static fn (string $column): string => self::guarded(self::text($flat[$column] ?? null)), $columns),
                escape: '',
            );
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /**
     * @return list<stdClass>
     *
     * @throws RefusedGarden
     */
    public function read(LibraryKind $kind, string $csv): array
    {
        [$columns, $lines] = self::lines($csv);
        [$known, $words] = [array_flip($this->columns($kind)), array_flip($this->words($kind))];
        $missing = array_diff(
            $kind === LibraryKind::Vessels ? ['name', 'stations'] : array_diff($this->columns($kind), ['key', 'made']),
            $columns,
        );
        if ($missing !== []) {
            throw RefusedGarden::one(
                'line 1',
                'lacks the column '.implode(', ', $missing).'; the first line names the columns '.implode(', ', $this->columns($kind)),
            );
        }
        $rows = $faults = [];
        foreach ($lines as $line => $cells) {
            if (count($cells) !== count($columns)) {
                $faults[] = new Fault("line $line", sprintf('has %d cells and there are %d columns', count($cells), count($columns)));

                continue;
            }
            $row = new stdClass;
            foreach ($columns as $i => $column) {
                $cell = self::unguarded(trim((string) $cells[$i]));
                if ($cell !== '' && isset($known[$column])) {
                    $row->{$column} = isset($words[$column]) || ! is_numeric($cell) ? $cell : self::number($cell);
                }
            }
            $rows[] = $kind === LibraryKind::Vessels ? self::vessel($row, $line, $faults) : $row;
        }
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }

        return $rows;
    }

    /**
     * The names of the columns, and the cells of each line by its number; empty lines are passed over.
     *
     * @return array{list<string>, array<int, list<string|null>>}
     *
     * @throws RefusedGarden
     */
    private static function lines(string $csv): array
    {
        self::check($csv);
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        fwrite($stream, preg_replace('/^\xEF\xBB\xBF/', '', $csv) ?? $csv);
        rewind($stream);
        $columns = array_map(static fn (?string $name): string => trim((string) $name), fgetcsv($stream, escape: '') ?: []);
        $lines = [];
        for ($line = 2; ($cells = fgetcsv($stream, escape: '')) !== false; $line++) {
            if ($cells !== [null]) {
                $lines[$line] = $cells;
            }
        }

        return [$columns, $lines];
    }

    /** An item as a line of a table says it, with what a table cannot hold taken from the item as it is kept. */
    public function over(LibraryKind $kind, stdClass $row, stdClass $kept): stdClass
    {
        $merged = clone $row;
        foreach (get_object_vars($kept) as $member => $value) {
            if (! in_array($member, [...$this->columns($kind), 'lid'], true)) {
                $merged->{$member} = $value;
            }
        }
        if (isset($row->lid) && ($kept->lid ?? null) instanceof stdClass) {
            $held = ['diameter_mm', 'length_mm', 'width_mm', 'corner_radius_mm', 'thickness_mm', 'make', 'top_above_rim_mm'];
            $merged->lid = (object) [...array_diff_key(get_object_vars($kept->lid), array_flip($held)), ...get_object_vars($row->lid)];
        }

        return $merged;
    }

    /**
     * Looked at before it is taken apart: a short text of nothing but separators is very many cells.
     *
     * @throws RefusedGarden
     */
    private static function check(string $csv): void
    {
        for ($from = 0, $line = 1; $from < strlen($csv); $line++) {
            $end = strpos($csv, "\n", $from);
            $end = $end === false ? strlen($csv) : $end;
            if ($end - $from > self::LONGEST_LINE) {
                throw RefusedGarden::one("line $line", sprintf('has %d characters; the most is %d', $end - $from, self::LONGEST_LINE));
            }
            if ($line > self::MOST_LINES) {
                throw RefusedGarden::one("line $line", sprintf('is one too many; at most %d are read at a time', self::MOST_LINES));
            }
            $from = $end + 1;
        }
    }

    /** @return array<string, mixed> */
    private static function flat(stdClass $vessel): array
    {
        $lid = ($vessel->lid ?? null) instanceof stdClass ? $vessel->lid : new stdClass;

        return [
            ...get_object_vars($vessel),
            'stations' => implode(
                '; ',
                array_map(static fn (stdClass $s): string => self::text($s->height_mm).' '.self::section($s), $vessel->stations),
            ),
            'lid' => isset($lid->diameter_mm) || isset($lid->length_mm) ? self::section($lid) : null,
            'lid_thickness_mm' => $lid->thickness_mm ?? null,
            'lid_make' => $lid->make ?? null,
            'lid_top_above_rim_mm' => $lid->top_above_rim_mm ?? null,
        ];
    }

    private static function section(stdClass $section): string
    {
        if (isset($section->diameter_mm)) {
            return 'Ø'.self::text($section->diameter_mm);
        }

        $radius = $section->corner_radius_mm ?? 0;

        return self::text($section->length_mm).'x'.self::text($section->width_mm).($radius > 0 ? ' r'.self::text($radius) : '');
    }

    /** @param  list<Fault>  $faults */
    private static function vessel(stdClass $row, int $line, array &$faults): stdClass
    {
        $stations = [];
        foreach (preg_split('/\s*;\s*/', (string) ($row->stations ?? '')) ?: [] as $text) {
            $section = preg_match('/^(\d+(?:\.\d+)?)\s+(.+)$/u', $text, $m) === 1 ? self::parsed($m[2]) : null;
            if ($section === null) {
                $faults[] = new Fault("line $line, stations", "has \"$text\"; a station reads \"0 Ø260\" or \"0 500x320 r40\"");

                continue;
            }
            $stations[] = (object) ['height_mm' => self::number($m[1]), ...$section];
        }
        $lid = [];
        if (isset($row->lid)) {
            $lid = self::parsed((string) $row->lid);
            if ($lid === null) {
                $faults[] = new Fault("line $line, lid", "is \"$row->lid\"; a lid reads \"Ø320\" or \"580x390 r50\"");
            }
        }
        foreach (['thickness_mm', 'make', 'top_above_rim_mm'] as $of) {
            if (isset($row->{"lid_$of"})) {
                $lid[$of] = $row->{"lid_$of"};
            }
            unset($row->{"lid_$of"});
        }
        foreach (['braced', 'food_safe'] as $flag) {
            if (isset($row->{$flag})) {
                $row->{$flag} = in_array(strtolower((string) $row->{$flag}), ['1', 'yes', 'true'], true);
            }
        }
        $row->stations = $stations;
        unset($row->lid);
        if ($lid !== [] && $lid !== null) {
            $row->lid = (object) $lid;
        }

        return $row;
    }

    /** @return array<string, int|float|string>|null */
    private static function parsed(string $section): ?array
    {
        if (preg_match('/^[Øø]\s*(\d+(?:\.\d+)?)$/u', trim($section), $m) === 1) {
            return ['diameter_mm' => self::number($m[1])];
        }
        if (preg_match('/^(\d+(?:\.\d+)?)\s*[x×]\s*(\d+(?:\.\d+)?)(?:\s*r\s*(\d+(?:\.\d+)?))?$/u', trim($section), $m) === 1) {
            return [
                'length_mm' => self::number($m[1]),
                'width_mm' => self::number($m[2]),
                ...(isset($m[3]) ? ['corner_radius_mm' => self::number($m[3])] : []),
            ];
        }

        return null;
    }

    private static function number(string $digits): int|float
    {
        return ctype_digit($digits) ? (int) $digits : (float) $digits;
    }

    /** What a spreadsheet would take for a formula begins with an apostrophe; a number is none. */
    private static function guarded(string $cell): string
    {
        return is_numeric($cell) ? $cell : PartsTable::safe($cell);
    }

    /** What was written so is read as what it was. */
    private static function unguarded(string $cell): string
    {
        return preg_match("/^'[=+\-@]/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    private static function text(mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_int($value) => (string) $value,
            is_float($value) => QuantityWriter::plain($value, 4),
            is_string($value) => $value,
            default => '',
        };
    }
}
