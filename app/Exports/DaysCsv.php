<?php

declare(strict_types=1);

namespace App\Exports;

use App\Tables\CsvText;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Numbers\Dates;

/** Days as CSV, for any spreadsheet. */
final class DaysCsv
{
    private const COLUMNS = ['date', 'tub', 'copy', 'what', 'says', 'litres', 'parts', 'ec_ms_cm', 'by', 'done', 'why'];

    /** @param  list<Item>  $items */
    public static function of(array $items, int $today, Garden $garden): string
    {
        $rows = [self::COLUMNS];
        foreach ($items as $item) {
            $parts = array_map(
                static fn (array $p): string => sprintf('%s %s %s', $p['name'], round($p['amount'], 2), $p['unit']),
                $item->parts,
            );
            $rows[] = [
                Dates::text($item->date),
                $garden->tub($item->tub)->name ?? $item->tub,
                (string) $item->copy,
                $item->kind,
                $item->says,
                $item->litres === null ? '' : (string) round($item->litres, 3),
                implode('; ', $parts),
                $item->ec === null ? '' : (string) round($item->ec, 3),
                $item->by === null ? '' : Dates::text($item->by),
                $item->done === null ? ($item->date < $today ? 'late' : '') : 'done',
                trim("$item->why $item->note"),
            ];
        }

        return CsvText::of($rows);
    }
}
