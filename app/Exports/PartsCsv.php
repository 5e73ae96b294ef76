<?php

declare(strict_types=1);

namespace App\Exports;

use stdClass;

/** The parts list as CSV (RFC 4180): UTF-8 with a mark for it. */
final class PartsCsv
{
    /** @param  stdClass  $report  a report with its parts and budget */
    public static function of(stdClass $report): string
    {
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        foreach (PartsTable::of($report) as $row) {
            fputcsv($stream, array_map(self::cell(...), $row), escape: '', eol: "\r\n");
        }
        rewind($stream);

        return "\u{feff}".stream_get_contents($stream);
    }

    private static function cell(string|float|int|null $value): string
    {
        return is_float($value) ? rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.') : (string) $value;
    }
}
