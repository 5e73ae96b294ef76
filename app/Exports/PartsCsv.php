<?php

declare(strict_types=1);

namespace App\Exports;

use stdClass;

/** The parts list as CSV (RFC 4180): UTF-8 with a mark for it, one row a part. */
final class PartsCsv
{
    private const HEADINGS = [
        'part',
        'name',
        'kind',
        'for',
        'why',
        'need',
        'spare',
        'unit',
        'owned',
        'buy',
        'supplier',
        'cost',
        'left',
        'currency',
    ];

    /** @param  stdClass  $report  a report with its parts and budget */
    public static function of(stdClass $report): string
    {
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        fputcsv($stream, self::HEADINGS, escape: '', eol: "\r\n");
        foreach ($report->parts as $part) {
            fputcsv($stream, array_map(self::safe(...), [
                $part->key, $part->name, $part->kind, implode(' ', $part->for), $part->why,
                self::number($part->need), self::number($part->spare), $part->unit, self::number($part->owned),
                implode(' + ', array_map(
                    static fn (stdClass $b): string => "$b->count × ".self::number($b->pack).' at '.number_format($b->price, 2, '.', ''),
                    $part->buy,
                )),
                implode(' + ', array_unique(array_filter(array_column($part->buy, 'supplier')))),
                $part->priced ? number_format($part->cost, 2, '.', '') : 'unknown',
                self::number($part->left), $report->budget->currency,
            ]), escape: '', eol: "\r\n");
        }
        rewind($stream);

        return "\u{feff}".stream_get_contents($stream);
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }

    /** What a spreadsheet would take for a formula begins with an apostrophe. */
    public static function safe(string $cell): string
    {
        return preg_match('/^[=+\-@\t\r]/', $cell) ? "'$cell" : $cell;
    }
}
