<?php

declare(strict_types=1);

namespace App\Prices;

use App\Tables\CsvText;
use KelpTub\Core\Units\MoneyReader;
use KelpTub\Core\Units\UnreadableQuantity;
use stdClass;

/**
 * A price list of one's own as a table: headings in any order and in plain words, a row an offer. Rows that will not do are named by their
 * number and why; the others are offers.
 *
 * As text it is comma, semicolon or tab separated (RFC 4180), with or without a mark for UTF-8, decimals by point or comma, currency signs,
 * blank lines.
 */
final class PriceTable
{
    public const MOST_ROWS = 2000;

    public const MOST_BYTES = 1_000_000;

    private const MOST_PACK = 1.0e7;

    /** What a heading may be called. */
    private const HEADINGS = [
        'part' => ['part', 'parts', 'key', 'item', 'article', 'product', 'name', 'what'],
        'pack' => ['pack', 'pack size', 'size', 'quantity', 'amount', 'per pack', 'in a pack', 'content', 'qty'],
        'price' => ['price', 'cost', 'price a pack', 'price each', 'sum'],
        'supplier' => ['supplier', 'shop', 'from', 'where', 'seller', 'vendor'],
        'delivery' => ['delivery', 'parcel', 'shipping', 'postage'],
        'currency' => ['currency'],
    ];

    /** @var array<string, string> key of a part by what it may be called */
    private array $parts = [];

    /** @param  array<string, string>  $parts  names by key */
    public function __construct(array $parts, private readonly string $currency)
    {
        foreach ($parts as $key => $name) {
            $this->parts[self::plain((string) $key)] = (string) $key;
            $this->parts[self::plain($name)] ??= (string) $key;
        }
    }

    /** @return stdClass offers and faults by row, counted from 1 with the headings */
    public function ofText(string $text): stdClass
    {
        if (strlen($text) > self::MOST_BYTES) {
            return self::refused(0, 'is larger than a price list may be: '.(self::MOST_BYTES / 1_000_000).' MB is the most');
        }

        return $this->ofRows(CsvText::rows($text, self::MOST_ROWS + 2));
    }

    /** @param  list<list<string>>  $rows  as a spreadsheet has them */
    public function ofRows(array $rows): stdClass
    {
        $head = null;
        $columns = $offers = $faults = [];
        foreach ($rows as $i => $row) {
            // The apostrophe that keeps text from being taken for a formula is none of it.
            $cells = array_map(static fn (string $cell): string => (string) preg_replace("/^'(?=[=+\\-@])/", '', trim($cell)), $row);
            if (array_filter($cells, static fn (string $cell): bool => $cell !== '') === []) {
                continue;
            }
            if ($head === null) {
                $head = $i;
                $columns = self::columns($cells);
                $missing = array_diff(['part', 'price'], array_keys($columns));
                if ($missing !== []) {
                    return self::refused(
                        $i + 1,
                        'names no '.implode(' and no ', $missing).'. The first row names the columns: part, pack, price, supplier.',
                    );
                }

                continue;
            }
            if (count($offers) + count($faults) >= self::MOST_ROWS) {
                return self::refused($i + 1, 'is past the '.self::MOST_ROWS.' rows that a price list may have');
            }
            if (self::isOfNothing($cells, $columns)) {
                continue;
            }
            $offer = $this->offer($cells, $columns);
            is_string($offer) ? $faults[] = (object) ['row' => $i + 1, 'message' => $offer] : $offers[] = $offer;
        }

        return $head === null
            ? self::refused(1, 'is empty. The first row names the columns: part, pack, price, supplier.')
            : (object) ['offers' => $offers, 'faults' => $faults];
    }

    /**
     * @param  list<string>  $cells
     * @return array<string, int> where each column stands
     */
    private static function columns(array $cells): array
    {
        $columns = [];
        foreach ($cells as $at => $cell) {
            foreach (self::HEADINGS as $column => $names) {
                if (in_array(self::plain($cell), $names, true)) {
                    $columns[$column] ??= $at;
                }
            }
        }

        return $columns;
    }

    /**
     * Whether a row of a table with packs gives neither pack nor price: a part of a parts list that is not bought.
     *
     * @param  list<string>  $cells
     * @param  array<string, int>  $columns
     */
    private static function isOfNothing(array $cells, array $columns): bool
    {
        return isset($columns['pack']) && ($cells[$columns['pack']] ?? '') === '' && ($cells[$columns['price']] ?? '') === '';
    }

    /**
     * @param  list<string>  $cells
     * @param  array<string, int>  $columns
     * @return stdClass|string an offer, or why there is none
     */
    private function offer(array $cells, array $columns): stdClass|string
    {
        $cell = static fn (string $column): string => isset($columns[$column]) ? ($cells[$columns[$column]] ?? '') : '';
        $key = $this->parts[self::plain($cell('part'))] ?? null;
        if ($key === null) {
            return $cell('part') === '' ? 'has no part' : "“{$cell('part')}” is no part of this garden or of the Library";
        }
        $currency = mb_strtoupper($cell('currency')) ?: $this->currency;
        if ($currency !== $this->currency) {
            return "is in $currency, and this garden counts in $this->currency";
        }
        $pack = $cell('pack') === '' ? 1.0 : self::number($cell('pack'));
        if ($pack === null || $pack <= 0.0 || $pack > self::MOST_PACK) {
            return "“{$cell('pack')}” is no pack: write how much is in one, as a number over nothing";
        }
        try {
            $price = MoneyReader::read($cell('price'), $this->currency);
            $delivery = $cell('delivery') === '' ? null : MoneyReader::read($cell('delivery'), $this->currency);
        } catch (UnreadableQuantity $unread) {
            return rtrim($unread->getMessage(), '.');
        }
        $supplier = mb_substr((string) preg_replace('/[\x00-\x1f]+/', ' ', $cell('supplier')), 0, 120);

        return (object) array_filter([
            'part' => $key,
            'pack' => $pack,
            'price' => $price,
            'supplier' => $supplier === '' ? null : $supplier,
            'delivery' => $delivery,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** A count or a measure with its unit after it: `20`, `1,5 L`, `5000 mm`. */
    private static function number(string $text): ?float
    {
        return preg_match('/^(\d+(?:[.,]\d+)?)\s*(?:[\p{L}²]+)?$/u', $text, $m) === 1 ? (float) str_replace(',', '.', $m[1]) : null;
    }

    private static function plain(string $text): string
    {
        return trim((string) preg_replace('/[\s_\-]+/u', ' ', mb_strtolower($text)));
    }

    private static function refused(int $row, string $message): stdClass
    {
        return (object) ['offers' => [], 'faults' => [(object) ['row' => $row, 'message' => $message]]];
    }
}
