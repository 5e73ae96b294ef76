<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/**
 * A unit that growers write, and how it turns into the core's unit of its dimension: core = value · factor + offset.
 *
 * Source of the factors: the international inch and avoirdupois pound (1959), the US liquid gallon of 231 cubic inches,
 * the imperial gallon of 4.54609 L; handbook, rules section 1.
 */
final readonly class Unit
{
    public const MM_PER_INCH = 25.4;

    public const L_PER_US_GALLON = 3.785411784;

    public const L_PER_IMPERIAL_GALLON = 4.54609;

    public const L_PER_US_QUART = 0.946352946;

    public const ML_PER_TEASPOON = 4.92892159;

    public const ML_PER_US_CUP = 236.588;

    public const G_PER_POUND = 453.59237;

    /** Parts per million on the 500 scale (sodium chloride) for 1 mS/cm. */
    public const PPM_500_PER_MS_CM = 500.0;

    /** Parts per million on the 700 scale (442 mixture) for 1 mS/cm. */
    public const PPM_700_PER_MS_CM = 700.0;

    private function __construct(
        public string $symbol,
        public Dimension $dimension,
        public float $factor,
        public float $offset = 0.0,
        public ?string $note = null,
    ) {
    }

    public function toCore(float $value): float
    {
        return $value * $this->factor + $this->offset;
    }

    public function fromCore(float $core): float
    {
        return ($core - $this->offset) / $this->factor;
    }

    /** The unit written as $text, or null. `Unit::named('gal')` is the US gallon and says so in its note. */
    public static function named(string $text): ?self
    {
        $key = mb_strtolower(trim((string) preg_replace('/\s+/u', ' ', $text)));
        $key = str_replace(['″', '”', "''"], '"', $key);

        return match ($key) {
            'mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters' => new self('mm', Dimension::Length, 1.0),
            'cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters' => new self('cm', Dimension::Length, 10.0),
            'm', 'metre', 'metres', 'meter', 'meters' => new self('m', Dimension::Length, 1000.0),
            'in', 'in.', '"', 'inch', 'inches' => new self('in', Dimension::Length, self::MM_PER_INCH),
            'ft', 'ft.', "'", '′', 'foot', 'feet' => new self('ft', Dimension::Length, 12 * self::MM_PER_INCH),
            'l', 'litre', 'litres', 'liter', 'liters' => new self('L', Dimension::Volume, 1.0),
            'ml', 'millilitre', 'millilitres', 'milliliter', 'milliliters', 'cc' => new self('mL', Dimension::Volume, 0.001),
            'gal', 'gal.', 'gallon', 'gallons', 'us gal', 'us gallon', 'us gallons' => new self(
                'gal',
                Dimension::Volume,
                self::L_PER_US_GALLON,
                note: 'US gallon of 3.785 L',
            ),
            'imperial gal', 'imp gal', 'imp. gal', 'imperial gallon', 'imperial gallons',
            'uk gal', 'uk gallon', 'uk gallons', 'gal (imperial)', 'gal (imp)', 'gal (uk)' => new self(
                'imp gal',
                Dimension::Volume,
                self::L_PER_IMPERIAL_GALLON,
                note: 'imperial gallon of 4.546 L',
            ),
            'qt', 'qt.', 'quart', 'quarts' => new self('qt', Dimension::Volume, self::L_PER_US_QUART, note: 'US quart of 0.946 L'),
            'fl oz', 'fl. oz.', 'fl. oz', 'fl oz.', 'floz', 'fluid ounce', 'fluid ounces' => new self(
                'fl oz',
                Dimension::Volume,
                self::L_PER_US_GALLON / 128,
                note: 'US fluid ounce of 29.6 mL',
            ),
            'pt', 'pt.', 'pint', 'pints' => new self('pt', Dimension::Volume, self::L_PER_US_GALLON / 8, note: 'US pint of 473 mL'),
            'tsp', 'tsp.', 'teaspoon', 'teaspoons' => new self(
                'tsp',
                Dimension::Volume,
                self::ML_PER_TEASPOON / 1000,
                note: 'US teaspoon of 4.93 mL',
            ),
            'tbsp', 'tbsp.', 'tablespoon', 'tablespoons' => new self(
                'tbsp',
                Dimension::Volume,
                3 * self::ML_PER_TEASPOON / 1000,
                note: 'tablespoon of 3 US teaspoons',
            ),
            'cup', 'cups' => new self('cup', Dimension::Volume, self::ML_PER_US_CUP / 1000, note: 'US cup of 236.6 mL'),
            'g', 'gram', 'grams', 'gramme', 'grammes' => new self('g', Dimension::Mass, 1.0),
            'kg', 'kilo', 'kilos', 'kilogram', 'kilograms' => new self('kg', Dimension::Mass, 1000.0),
            'lb', 'lbs', 'lb.', 'pound', 'pounds' => new self('lb', Dimension::Mass, self::G_PER_POUND),
            'oz', 'oz.', 'ounce', 'ounces' => new self('oz', Dimension::Mass, self::G_PER_POUND / 16),
            'ms/cm', 'ec', 'ds/m' => new self('mS/cm', Dimension::Conductivity, 1.0),
            'µs/cm', 'μs/cm', 'us/cm' => new self('µS/cm', Dimension::Conductivity, 0.001),
            'ppm (500)', 'ppm(500)', 'ppm500', 'ppm 500' => new self(
                'ppm (500)',
                Dimension::Conductivity,
                1 / self::PPM_500_PER_MS_CM,
                note: '500 scale',
            ),
            'ppm (700)', 'ppm(700)', 'ppm700', 'ppm 700' => new self(
                'ppm (700)',
                Dimension::Conductivity,
                1 / self::PPM_700_PER_MS_CM,
                note: '700 scale',
            ),
            '°c', 'c', 'deg c', 'celsius', '℃' => new self('°C', Dimension::Temperature, 1.0),
            '°f', 'f', 'deg f', 'fahrenheit', '℉' => new self('°F', Dimension::Temperature, 5 / 9, -160 / 9),
            'l/min', 'lpm', 'l/m' => new self('L/min', Dimension::AirFlow, 1.0),
            'l/h', 'l/hr', 'lph' => new self('L/h', Dimension::AirFlow, 1 / 60),
            'kpa' => new self('kPa', Dimension::Pressure, 1.0),
            'mpa' => new self('MPa', Dimension::Pressure, 1000.0),
            'bar' => new self('bar', Dimension::Pressure, 100.0),
            'mbar' => new self('mbar', Dimension::Pressure, 0.1),
            'psi' => new self('psi', Dimension::Pressure, 6.894757293168),
            'w', 'watt', 'watts' => new self('W', Dimension::Power, 1.0),
            default => null,
        };
    }
}
