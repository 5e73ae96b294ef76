<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/**
 * Reads money as growers write it: `15`, `15,50`, `€15`, `15.50 EUR`, `1 234,50`, `1,234.50`.
 *
 * What is written in another currency than the garden counts in is refused, not converted; so is a lone separator before three digits,
 * which could be a thousand or a decimal.
 */
final class MoneyReader
{
    /** How the currencies end whose sign this is. */
    private const SIGNS = ['€' => 'EUR', '£' => 'GBP', '¥' => 'JPY', '$' => 'D'];

    /** The largest sum accepted. */
    private const LARGEST = 1.0e6;

    /** @throws UnreadableQuantity when the text is no sum of that currency */
    public static function read(string $text, string $currency): float
    {
        $clean = (string) preg_replace('/[\s\x{00A0}\x{2009}\x{202F}]+/u', '', $text);
        if (preg_match('/^([^\d.,-]*)([\d.,]*\d)([^\d.,-]*)$/u', $clean, $m) !== 1 || ($m[1] !== '' && $m[3] !== '')) {
            throw UnreadableQuantity::noMoney($text);
        }
        $said = mb_strtoupper($m[1].$m[3]);
        if ($said !== '' && ! str_ends_with($currency, self::SIGNS[$said] ?? $said)) {
            throw UnreadableQuantity::otherMoney($text, $currency);
        }
        $sum = (float) self::plain($text, $m[2]);

        return $sum > self::LARGEST ? throw UnreadableQuantity::tooLarge($text) : $sum;
    }

    /** The number with a point for decimals and nothing for thousands. */
    private static function plain(string $text, string $number): string
    {
        return match (1) {
            // Every group of three whole: 1,234.50 and 1.234,50, and 1.234.567.
            preg_match('/^\d{1,3}(?:(,)\d{3})+\.\d{1,2}$/', $number) => str_replace(',', '', $number),
            preg_match('/^\d{1,3}(?:(\.)\d{3})+,\d{1,2}$/', $number) => str_replace(['.', ','], ['', '.'], $number),
            preg_match('/^\d{1,3}([.,])\d{3}(?:\1\d{3})+$/', $number) => str_replace(['.', ','], '', $number),
            // A nought before it is never a thousand.
            preg_match('/^(?:0|\d+)(?:[.,]\d{1,2})?$|^0?[.,]\d+$/', $number) => str_replace(',', '.', $number),
            preg_match('/^\d{1,3}[.,]\d{3}$/', $number) => throw UnreadableQuantity::ambiguousComma($text),
            default => throw UnreadableQuantity::noMoney($text),
        };
    }
}
