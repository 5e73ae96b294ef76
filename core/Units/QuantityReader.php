<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/**
 * Reads measures as growers write them: `2 3/8 in`, `2-3/8"`, `51mm`, `5 gal`, `1/4 tsp`, `840 ppm (700)`, `72 °F`.
 *
 * Nothing is guessed silently: what cannot be read is refused, and a unit that has namesakes (gallon, cup, ppm) is named in the reading.
 * A bare number is in the garden's unit, a bare fraction in inches.
 * Source: handbook, rules section 1.
 */
final class QuantityReader
{
    private const FRACTIONS = [
        '½' => '1/2', '¼' => '1/4', '¾' => '3/4', '⅓' => '1/3', '⅔' => '2/3', '⅛' => '1/8', '⅜' => '3/8', '⅝' => '5/8', '⅞' => '7/8',
    ];

    private const DECIMALS = 12;

    /** The largest number accepted, in the unit written. */
    private const LARGEST = 1.0e9;

    /**
     * Reads a measure of a known dimension; a number without a unit is in the system's usual one.
     *
     * `read('2 3/8 in', Dimension::Length, UnitSystem::Metric)->value` is 60.325.
     *
     * @throws UnreadableQuantity when the text is no such measure
     */
    public static function read(string $text, Dimension $dimension, UnitSystem $system): Reading
    {
        if (trim($text) === '') {
            throw UnreadableQuantity::empty($dimension);
        }
        [$number, $unitText, $fraction] = self::split($text, $dimension);
        $unitGiven = $unitText !== '';
        // Nobody measures millimetres in fractions: a bare one is of an inch, whichever system the garden is in.
        $bare = $fraction && $dimension === Dimension::Length ? 'in' : $dimension->bareUnit($system);
        $unit = self::unit($text, $unitGiven ? $unitText : $bare, $dimension);
        if ($unit->dimension !== $dimension) {
            throw UnreadableQuantity::wrongDimension($text, $unit->dimension, $dimension);
        }

        return new Reading(trim($text), $number, $unit, self::value($unit, $number), $unitGiven);
    }

    /**
     * Reads a measure whose unit tells the dimension, as the command line needs it.
     *
     * @throws UnreadableQuantity when the text is no measure or has no unit
     */
    public static function readAny(string $text): Reading
    {
        [$number, $unitText] = self::split($text, null);
        if ($unitText === '') {
            throw UnreadableQuantity::unitMissing($text);
        }
        $unit = self::unit($text, $unitText, null);

        return new Reading(trim($text), $number, $unit, self::value($unit, $number), true);
    }

    /** In the core's unit, to the digits that a written measure has: 2 3/8 in is 60.325 mm and no hair less. */
    private static function value(Unit $unit, float $number): float
    {
        return round($unit->toCore($number), self::DECIMALS);
    }

    private static function unit(string $text, string $unitText, ?Dimension $dimension): Unit
    {
        if (preg_match('/^ppm$/i', $unitText) === 1) {
            throw UnreadableQuantity::unscaledPpm($text);
        }

        return Unit::named($unitText) ?? throw UnreadableQuantity::unknownUnit($text, $unitText, $dimension);
    }

    /**
     * The number at the start of the text, what follows it, and whether it was written as a fraction.
     *
     * @return array{float, string, bool}
     */
    private static function split(string $text, ?Dimension $dimension): array
    {
        $clean = trim((string) preg_replace('/[\s\x{00A0}\x{2009}\x{202F}]+/u', ' ', $text));
        foreach (self::FRACTIONS as $sign => $plain) {
            $clean = (string) preg_replace('/(\d)?\s*'.$sign.'/u', '$1 '.$plain, $clean);
        }
        $clean = trim(str_replace(['−', '⁄'], ['-', '/'], $clean));

        if (preg_match('/^(-?)(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)(?![\d.,])\s*(.*)$/us', $clean, $m) === 1) {
            if ((int) $m[4] === 0) {
                throw UnreadableQuantity::divisionByZero($text);
            }
            $number = (float) $m[2] + (float) $m[3] / (float) $m[4];
            $rest = $m[5];
            $fraction = true;
        } elseif (preg_match('/^(-?)(\d+(?:[.,]\d+)?|[.,]\d+)\s*(.*)$/us', $clean, $m) === 1) {
            if (preg_match('/,\d{3}$/', $m[2]) === 1 || preg_match('/^[.,]\d/', $m[3]) === 1) {
                throw UnreadableQuantity::ambiguousComma($text);
            }
            $number = (float) str_replace(',', '.', $m[2]);
            $rest = $m[3];
            $fraction = false;
        } else {
            throw UnreadableQuantity::noNumber($text, $dimension);
        }
        if ($number > self::LARGEST) {
            throw UnreadableQuantity::tooLarge($text);
        }

        return [$m[1] === '-' ? -$number : $number, trim($rest), $fraction];
    }
}
