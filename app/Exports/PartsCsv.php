<?php

declare(strict_types=1);

namespace App\Exports;

use KelpTub\Core\Units\QuantityWriter;
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
        return is_float($value) ? QuantityWriter::plain($value, 3) : (string) $value;
    }
}
