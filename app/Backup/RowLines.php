<?php

declare(strict_types=1);

namespace App\Backup;

use JsonException;

/** The rows as RowsWriter writes them. */
final readonly class RowLines implements Rows
{
    /** No line is longer, bytes: a row holds one document. */
    private const LONGEST = 32_000_000;

    public function __construct(private string $file)
    {
    }

    public function origin(): string
    {
        $head = $this->head();
        $said = static function (string $what, string $form) use ($head): string {
            $text = $head[$what] ?? null;

            return is_string($text) && preg_match($form, $text, $m) === 1 ? $m[0] : 'unknown';
        };

        return $said('kelp_tub', '/^\d+(\.\d+){1,3}$/D').' on '.$said('made', '/^\d{4}-\d\d-\d\d/');
    }

    /** @return array<array-key, mixed> */
    private function head(): array
    {
        foreach ($this->lines() as $line) {
            return $line;
        }

        return [];
    }

    public function migrations(): array
    {
        $head = $this->head();
        if (($head['format'] ?? null) !== RowsWriter::FORMAT) {
            throw BackupRefused::damaged('it does not begin as one');
        }
        if (($head['version'] ?? null) !== RowsWriter::VERSION) {
            throw BackupRefused::newer(['version '.json_encode($head['version'] ?? null)]);
        }
        $migrations = $head['migrations'] ?? null;

        return is_array($migrations) ? array_values(array_filter($migrations, is_string(...))) : [];
    }

    public function all(): iterable
    {
        $count = 0;
        $said = null;
        foreach ($this->lines() as $number => $line) {
            if ($said !== null) {
                throw BackupRefused::damaged("it goes on after its end, in line $number");
            }
            if (is_int($line['rows'] ?? null)) {
                $said = $line['rows'];
            } elseif ($number > 1) {
                [$table, $row] = [$line['table'] ?? null, $line['row'] ?? null];
                if (! in_array($table, Tables::ALL, true) || ! is_array($row) || array_is_list($row)) {
                    throw BackupRefused::damaged("line $number is no row of a table that is known");
                }
                $count++;
                yield [$table, $row];
            }
        }
        if ($said !== $count) {
            throw BackupRefused::damaged(sprintf('it has %d rows, and %s', $count, $said === null ? 'its end is missing' : "says $said"));
        }
    }

    /** @return iterable<int, array<array-key, mixed>> by their number, from 1 */
    private function lines(): iterable
    {
        $file = fopen($this->file, 'r');
        if ($file === false) {
            throw BackupRefused::damaged('its rows cannot be read');
        }
        try {
            for ($number = 1; ($line = fgets($file, self::LONGEST)) !== false; $number++) {
                try {
                    $read = json_decode($line, true, 512, JSON_THROW_ON_ERROR);
                } catch (JsonException) {
                    throw BackupRefused::damaged("line $number is not JSON");
                }
                yield $number => is_array($read) ? $read : [];
            }
        } finally {
            fclose($file);
        }
    }
}
