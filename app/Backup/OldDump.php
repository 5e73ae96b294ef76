<?php

declare(strict_types=1);

namespace App\Backup;

/**
 * The rows in a dump that a version before this one kept: SQL as the database's own client writes it. It is read and not run: of its
 * statements those are looked at that say which columns a table has and those that put rows into it, and of these the plain values.
 *
 *     CREATE TABLE `gardens` (            INSERT INTO `gardens` VALUES
 *       `id` char(26) NOT NULL,           ('01…',3,'{\"format\":…}'),
 *       PRIMARY KEY (`id`)                ('01…',1,'…');
 *     ) ENGINE=…;
 */
final class OldDump implements Rows
{
    /** No line is longer, bytes: the client breaks its statements off at a megabyte, and a row holds one document. */
    private const LONGEST = 64_000_000;

    /** A value: a text in quotes, nothing, or a number. */
    private const VALUE = '/\G(?:\'((?:[^\'\\\\]++|\\\\.|\'\')*+)\'|(NULL)|(-?\d+(?:\.\d+)?(?:e[-+]?\d+)?))\s*([,)])/si';

    private const ESCAPES = ['0' => "\0", 'n' => "\n", 'r' => "\r", 't' => "\t", 'b' => "\x08", 'Z' => "\x1A"];

    public function __construct(private readonly string $file)
    {
    }

    public function origin(): string
    {
        return 'a version before 0.8.0';
    }

    public function migrations(): array
    {
        $migrations = [];
        foreach ($this->rows([Tables::MIGRATIONS]) as [, $row]) {
            $migrations[] = (string) ($row['migration'] ?? '');
        }

        return $migrations;
    }

    public function all(): iterable
    {
        return $this->rows(Tables::ALL);
    }

    /**
     * @param  list<string>  $tables
     * @return iterable<array{string, array<string, string|null>}>
     */
    private function rows(array $tables): iterable
    {
        $file = fopen($this->file, 'r');
        if ($file === false) {
            throw BackupRefused::damaged('its rows cannot be read');
        }
        $columns = [];
        $making = $into = null;
        try {
            while (($line = fgets($file, self::LONGEST)) !== false) {
                if ($into !== null) {
                    yield from $this->rowsIn($line, 0, $into, $columns[$into] ?? []);
                    $into = str_ends_with(rtrim($line), ';') ? null : $into;
                } elseif (preg_match('/^CREATE TABLE `(\w+)` \($/', rtrim($line), $m) === 1) {
                    $making = $m[1];
                    $columns[$making] = [];
                } elseif ($making !== null) {
                    if (preg_match('/^\s+`(\w+)` /', $line, $m) === 1) {
                        $columns[$making][] = $m[1];
                    } elseif (str_starts_with($line, ')')) {
                        $making = null;
                    }
                } elseif (preg_match('/^INSERT INTO `(\w+)` VALUES\s*/', $line, $m) === 1 && in_array($m[1], $tables, true)) {
                    yield from $this->rowsIn($line, strlen($m[0]), $m[1], $columns[$m[1]] ?? []);
                    $into = str_ends_with(rtrim($line), ';') ? null : $m[1];
                }
            }
        } finally {
            fclose($file);
        }
        if ($into !== null) {
            throw BackupRefused::damaged('its rows end early');
        }
    }

    /**
     * @param  list<string>  $columns
     * @return iterable<array{string, array<string, string|null>}>
     */
    private function rowsIn(string $line, int $at, string $table, array $columns): iterable
    {
        for ($length = strlen(rtrim($line)); $at < $length;) {
            if ($line[$at] === ',' || $line[$at] === ';' || $line[$at] === ' ') {
                $at++;

                continue;
            }
            if ($line[$at] !== '(') {
                throw BackupRefused::damaged("there is something other than rows of $table");
            }
            $at++;
            $values = [];
            do {
                if (preg_match(self::VALUE, $line, $m, PREG_UNMATCHED_AS_NULL, $at) !== 1) {
                    throw BackupRefused::damaged("a row of $table holds something other than plain values");
                }
                $values[] = $m[2] !== null ? null : ($m[3] ?? self::plain((string) $m[1]));
                $at += strlen($m[0]);
            } while ($m[4] === ',');
            if (count($values) !== count($columns)) {
                throw BackupRefused::damaged(sprintf('a row of %s has %d values for %d columns', $table, count($values), count($columns)));
            }
            yield [$table, array_combine($columns, $values)];
        }
    }

    private static function plain(string $quoted): string
    {
        return (string) preg_replace_callback(
            '/\\\\(.)|\'\'/s',
            static fn (array $m): string => $m[0] === "''" ? "'" : (self::ESCAPES[$m[1] ?? ''] ?? $m[1] ?? ''),
            $quoted,
        );
    }
}
