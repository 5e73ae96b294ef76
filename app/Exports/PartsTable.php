<?php

declare(strict_types=1);

namespace App\Exports;

use stdClass;

/**
 * The parts list as a table, the same as CSV and as a spreadsheet: a row a part, and another for every further kind of pack that is bought
 * of it. What is bought has pack and price in columns that a price list has too (App\Prices\PriceTable), so that the file can be
 * read back as one.
 */
final class PartsTable
{
    private const HEADINGS = [
        'part', 'name', 'kind', 'for', 'why', 'need', 'spare', 'unit', 'owned', 'to buy', 'packs', 'pack', 'price', 'supplier', 'cost',
        'left', 'currency',
    ];

    /**
     * @param  stdClass  $report  a report with its parts and budget
     * @return list<list<string|float|int|null>> the headings first; what would be taken for a formula begins with an apostrophe
     */
    public static function of(stdClass $report): array
    {
        $rows = [self::HEADINGS];
        foreach ($report->parts as $part) {
            $missing = max(0.0, $part->need + $part->spare - $part->owned);
            $amounts = [$part->need, $part->spare, $part->unit, $part->owned, $missing];
            foreach ($part->buy === [] ? [null] : $part->buy as $i => $bought) {
                $rows[] = [
                    self::safe($part->key), self::safe($part->name), $part->kind, implode(' ', $part->for), self::safe($part->why),
                    ...($i === 0 ? $amounts : [null, null, $part->unit, null, null]),
                    $bought?->count, $bought?->pack, $bought?->price, self::safe($bought->supplier ?? ''),
                    match (true) {
                        $bought !== null => round($bought->count * $bought->price, 2),
                        $part->priced => 0.0,
                        default => 'unknown',
                    },
                    $i === 0 ? $part->left : null,
                    $report->budget->currency,
                ];
            }
        }

        return $rows;
    }

    public static function safe(string $cell): string
    {
        return preg_match('/^[=+\-@\t\r]/', $cell) ? "'$cell" : $cell;
    }
}
