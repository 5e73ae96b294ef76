<?php

declare(strict_types=1);

namespace App\Backup;

use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use RuntimeException;

/** Fills an empty database with the rows of a backup: the tables as they were then, the rows, then what has changed of the tables since. */
final readonly class PutBack
{
    private const AT_ONCE = 200;

    public function __construct(private Kernel $artisan)
    {
    }

    /**
     * @return array<string, int> how many rows of each table are back
     *
     * @throws BackupRefused where it is not whole, or newer than this program
     */
    public function from(Rows $rows): array
    {
        $then = $rows->migrations();
        if ($then === []) {
            throw BackupRefused::damaged('it does not say how its tables are made');
        }
        $known = self::known();
        $unknown = array_values(array_diff($then, array_keys($known)));
        if ($unknown !== []) {
            throw BackupRefused::newer($unknown);
        }
        foreach (array_intersect_key($known, array_flip($then)) as $path) {
            $this->migrate(['--path' => $path, '--realpath' => true]);
        }
        $counts = $this->fill($rows);
        $this->migrate([]);
        foreach ($counts as $table => $count) {
            if (DB::table($table)->count() !== $count) {
                throw BackupRefused::damaged("not all rows of $table came back");
            }
        }

        return $counts;
    }

    /** @return array<string, string> the file of each change of the tables that this program knows */
    private static function known(): array
    {
        $files = glob(database_path('migrations/*.php'));

        return array_combine(array_map(static fn (string $file): string => basename($file, '.php'), $files ?: []), $files ?: []);
    }

    /** @return array<string, int> */
    private function fill(Rows $rows): array
    {
        $counts = array_fill_keys(array_filter(Tables::ALL, Schema::hasTable(...)), 0);
        $columns = array_map(Schema::getColumnListing(...), array_combine(array_keys($counts), array_keys($counts)));
        DB::transaction(function (Connection $database) use ($rows, $columns, &$counts): void {
            $waiting = [];
            $of = null;
            foreach ($rows->all() as [$table, $row]) {
                $strange = array_diff(array_keys($row), $columns[$table] ?? []);
                if ($strange !== []) {
                    throw BackupRefused::damaged("$table has no ".implode(', ', $strange));
                }
                self::check($table, $row);
                if ($waiting !== [] && ($of !== $table || count($waiting) >= self::AT_ONCE)) {
                    $database->table((string) $of)->insert($waiting);
                    $waiting = [];
                }
                $of = $table;
                $waiting[] = $row;
                $counts[$table]++;
            }
            if ($of !== null) {
                $database->table($of)->insert($waiting);
            }
        });

        return $counts;
    }

    /**
     * What addresses and pages are made of is as it is made here.
     *
     * @param  array<string, mixed>  $row
     */
    private static function check(string $table, array $row): void
    {
        $id = match ($table) {
            'gardens' => $row['id'] ?? '',
            'revisions' => $row['garden_id'] ?? '',
            'dry_runs', 'growers' => $row['id'] ?? '',
            default => null,
        };
        if ($id !== null && (! is_string($id) || preg_match('/^[0-9a-hjkmnp-tv-z]{26}$/i', $id) !== 1)) {
            throw BackupRefused::damaged("$table has an id that is none");
        }
        if (! in_array($table, ['tidyings', 'growers'], true) && ! is_object(json_decode((string) ($row['document'] ?? '')))) {
            throw BackupRefused::damaged("$table has a document that cannot be read");
        }
    }

    /** @param  array<string, mixed>  $options */
    private function migrate(array $options): void
    {
        if ($this->artisan->call('migrate', ['--force' => true, ...$options]) !== 0) {
            throw new RuntimeException('The tables could not be made: '.trim($this->artisan->output()));
        }
    }
}
