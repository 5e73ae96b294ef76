<?php

declare(strict_types=1);

namespace App\Backup;

use App\Version;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Writes the rows of all tables as lines of JSON: what they are of first, their number last. */
final class RowsWriter
{
    public const FORMAT = 'kelp-tub.rows';

    public const VERSION = 1;

    /** @return iterable<string> line by line; whoever wants them of one moment opens a transaction around it */
    public function written(): iterable
    {
        yield self::line([
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'kelp_tub' => Version::NUMBER,
            'made' => Carbon::now('UTC')->toIso8601String(),
            'migrations' => DB::table(Tables::MIGRATIONS)->orderBy('id')->pluck('migration')->all(),
        ]);
        $count = 0;
        foreach (Tables::ALL as $table) {
            if (! Schema::hasTable($table)) {
                continue;
            }
            foreach (DB::table($table)->lazyById(100) as $row) {
                yield self::line(['table' => $table, 'row' => $row]);
                $count++;
            }
        }
        yield self::line(['rows' => $count]);
    }

    /** @param  array<string, mixed>  $of */
    private static function line(array $of): string
    {
        return json_encode($of, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }
}
