<?php

declare(strict_types=1);

namespace App\Tables;

/**
 * Tables as text (RFC 4180): comma, semicolon or tab separated, with or without a mark for UTF-8. What a spreadsheet might take for a
 * formula is written with an apostrophe before it, and read without.
 */
final class CsvText
{
    private const FORMULA = '/^[=+@\t\r-]/';

    /**
     * @param  int  $most  rows that are read at the most, the headings among them
     * @return list<list<string>>
     */
    public static function rows(string $text, int $most): array
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            $text = (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }
        $text = (string) preg_replace('/^\x{feff}/u', '', $text);
        $first = (string) strtok($text, "\r\n");
        $separator = "\t";
        foreach ([';', ','] as $one) {
            $separator = substr_count($first, $one) > substr_count($first, $separator) ? $one : $separator;
        }
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);
        $rows = [];
        while (($row = fgetcsv($stream, null, $separator, '"', '')) !== false && count($rows) < $most) {
            $rows[] = array_map(self::cell(...), $row);
        }

        return $rows;
    }

    /** @param  iterable<list<string|int|float|null>>  $rows */
    public static function of(iterable $rows): string
    {
        $stream = fopen('php://temp', 'r+');
        assert($stream !== false);
        foreach ($rows as $row) {
            fputcsv($stream, array_map(self::guarded(...), $row), escape: '');
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** The apostrophe that keeps text from being taken for a formula is none of it. */
    private static function cell(?string $cell): string
    {
        return (string) preg_replace("/^'(?=[=+\\-@])/", '', trim((string) $cell));
    }

    private static function guarded(string|int|float|null $cell): string
    {
        $text = (string) $cell;

        return preg_match(self::FORMULA, $text) === 1 && ! is_numeric($text) ? "'$text" : $text;
    }
}
