<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/** What a quantity measures, with the unit the core keeps it in and examples a grower can copy. */
enum Dimension: string
{
    case Length = 'length';
    case Volume = 'volume';
    case Mass = 'mass';
    case Conductivity = 'conductivity';
    case Temperature = 'temperature';
    case AirFlow = 'air-flow';
    case Pressure = 'pressure';
    case Power = 'power';

    /** The symbol of the unit that values of this dimension have inside the core. */
    public function coreUnit(): string
    {
        return match ($this) {
            self::Length => 'mm',
            self::Volume => 'L',
            self::Mass => 'g',
            self::Conductivity => 'mS/cm',
            self::Temperature => '°C',
            self::AirFlow => 'L/min',
            self::Pressure => 'kPa',
            self::Power => 'W',
        };
    }

    /** What a number without a unit is taken to be in a field of this dimension. */
    public function bareUnit(UnitSystem $system): string
    {
        return match ($this) {
            self::Length => $system === UnitSystem::Us ? 'in' : 'mm',
            self::Volume => $system === UnitSystem::Us ? 'gal' : 'L',
            self::Mass => $system === UnitSystem::Us ? 'lb' : 'kg',
            self::Temperature => $system === UnitSystem::Us ? '°F' : '°C',
            default => $this->coreUnit(),
        };
    }

    /** @return list<string> */
    public function examples(): array
    {
        return match ($this) {
            self::Length => ['54 mm', '5.1 cm', '2 3/8 in', '2-3/8"'],
            self::Volume => ['20 L', '5 gal', '1 qt', '1/4 tsp'],
            self::Mass => ['40 g', '2.1 kg', '3 lb'],
            self::Conductivity => ['1.2 mS/cm', '600 ppm (500)', '840 ppm (700)'],
            self::Temperature => ['20 °C', '72 °F'],
            self::AirFlow => ['4 L/min', '240 L/h'],
            self::Pressure => ['20 kPa', '0.2 bar', '2.9 psi'],
            self::Power => ['4 W'],
        };
    }
}
