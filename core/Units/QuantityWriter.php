<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/**
 * Writes core values for people, in the grower's units and with only the digits that matter.
 *
 * Lengths: whole or half millimetres, or inches as fractions to 1/16. Source: handbook, rules section 1.
 */
final readonly class QuantityWriter
{
    private const SIXTEENTHS = 16;

    private const MM_PER_FOOT = 304.8;

    private const OUNCES_PER_GALLON = 128;

    /** Under half a gallon a cook says ounces. */
    private const OUNCES_BELOW_GALLONS = 0.5;

    /** A narrow space that no line breaks at stands between number and unit. */
    private const GAP = "\u{202F}";

    public function __construct(public UnitSystem $system)
    {
    }

    /** `54 mm`, `260.5 mm` or `2 1/8 in` for a length in mm. */
    public function length(float $mm): string
    {
        return $this->system === UnitSystem::Us ? self::inches($mm) : self::plain(round($mm * 2) / 2, 1).self::GAP.'mm';
    }

    /** A fit, where a sixteenth of an inch is too coarse: `1.7 mm` or `0.07 in`. */
    public function fine(float $mm): string
    {
        return $this->system === UnitSystem::Us
            ? self::plain($mm / Unit::MM_PER_INCH, 2).self::GAP.'in'
            : self::plain($mm, 1).self::GAP.'mm';
    }

    /** A run of tube or cord as it is sold: `8.95 m` or `29.4 ft`; a short piece as a length. */
    public function run(float $mm): string
    {
        return match (true) {
            $this->system === UnitSystem::Us && abs($mm) >= self::MM_PER_FOOT => self::plain($mm / self::MM_PER_FOOT, 1).self::GAP.'ft',
            $this->system === UnitSystem::Metric && abs($mm) >= 1000.0 => self::plain($mm / 1000, 2).self::GAP.'m',
            default => $this->length($mm),
        };
    }

    /** `17.4 L` or `4.6 gal`; little of it `760 mL` or `26 fl oz`. */
    public function volume(float $litres): string
    {
        if ($this->system === UnitSystem::Us) {
            $gallons = $litres / Unit::L_PER_US_GALLON;

            $ounces = $gallons * self::OUNCES_PER_GALLON;

            return abs($gallons) < self::OUNCES_BELOW_GALLONS
                ? self::plain($ounces, abs($ounces) < 10 ? 1 : 0).self::GAP.'fl oz'
                : self::plain($gallons, abs($gallons) < 10 ? 2 : 1).self::GAP.'gal';
        }

        return abs($litres) < 1.0
            ? self::plain($litres * 1000, 0).self::GAP.'mL'
            : self::plain($litres, 1).self::GAP.'L';
    }

    /** What is picked: `420 g`, from a kilogram on `1.9 kg`; or `0.9 lb`. */
    public function picked(float $grams): string
    {
        return $grams < 1000 && $this->system === UnitSystem::Metric ? $this->number($grams, 0, 'g') : $this->mass($grams / 1000);
    }

    /** `18.2 kg` or `40.1 lb`. */
    public function mass(float $kg): string
    {
        return $this->system === UnitSystem::Us
            ? self::plain($kg * 1000 / Unit::G_PER_POUND, 1).self::GAP.'lb'
            : self::plain($kg, 1).self::GAP.'kg';
    }

    /** `20 °C` or `68 °F`. */
    public function temperature(float $celsius): string
    {
        return $this->system === UnitSystem::Us
            ? self::plain($celsius * 9 / 5 + 32, 0).self::GAP.'°F'
            : self::plain($celsius, 1).self::GAP.'°C';
    }

    /** A number with a unit that is the same in both systems: `6.8 mg/L`, `2.67 L/min`. */
    public function number(float $value, int $decimals, string $unit = ''): string
    {
        return self::plain($value, $decimals).($unit === '' ? '' : self::GAP.$unit);
    }

    /** The same for what may be next to nothing: `0.26 L/min`, and `under 0.01 L/min` where the digits would show none of it. */
    public function small(float $value, string $unit): string
    {
        return $value > 0.0 && $value < 0.005 ? 'under '.self::plain(0.01, 2).self::GAP.$unit : $this->number($value, 2, $unit);
    }

    /** What lies over or under a mark, as both are written: "just over 200 mm" where the digits would show no difference. */
    public static function over(string $value, string $mark): string
    {
        return $value === $mark ? "just over $mark" : $value;
    }

    public static function under(string $value, string $mark): string
    {
        return $value === $mark ? "just under $mark" : $value;
    }

    /** What bears on a square metre, kg: `263 kg/m²` or `54 lb/ft²`. */
    public function load(float $kgPerSquareMetre): string
    {
        return $this->system === UnitSystem::Us
            ? self::plain($kgPerSquareMetre * 1000 / Unit::G_PER_POUND * (self::MM_PER_FOOT / 1000) ** 2, 0).self::GAP.'lb/ft²'
            : self::plain($kgPerSquareMetre, 0).self::GAP.'kg/m²';
    }

    /** One or many of a thing: `1 day`, `13 days`. What stands for many has its number at %d. */
    public function count(int $number, string $one, string $many): string
    {
        return $number === 1 ? $one : sprintf($many, $number);
    }

    /** `2 1/8 in` for 53.975 mm: whole inches and the nearest sixteenth, in lowest terms. */
    public static function inches(float $mm): string
    {
        $sixteenths = (int) round(abs($mm) / Unit::MM_PER_INCH * self::SIXTEENTHS);
        $whole = intdiv($sixteenths, self::SIXTEENTHS);
        $top = $sixteenths % self::SIXTEENTHS;
        $bottom = self::SIXTEENTHS;
        while ($top > 0 && $top % 2 === 0) {
            $top = intdiv($top, 2);
            $bottom = intdiv($bottom, 2);
        }
        $sign = $mm < 0 && $sixteenths > 0 ? '-' : '';
        $fraction = $top > 0 ? "$top/$bottom" : '';

        return $sign.trim(($whole > 0 || $fraction === '' ? (string) $whole : '').' '.$fraction).self::GAP.'in';
    }

    /** A number with at most $decimals digits after the point and no trailing zeros. */
    public static function plain(float $value, int $decimals): string
    {
        $text = number_format($value, $decimals, '.', '');
        if ($decimals > 0) {
            $text = rtrim(rtrim($text, '0'), '.');
        }

        return $text === '-0' ? '0' : $text;
    }
}
