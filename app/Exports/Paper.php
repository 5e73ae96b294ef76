<?php

declare(strict_types=1);

namespace App\Exports;

use KelpTub\Core\Units\UnitSystem;

/** Paper to print on; width and height in mm, upright. */
enum Paper: string
{
    case A4 = 'a4';
    case Letter = 'letter';

    /** What is asked for, or what is usual with the garden's units; null where there is no such paper. */
    public static function asked(mixed $name, UnitSystem $units): ?self
    {
        return match (true) {
            $name === null => $units === UnitSystem::Us ? self::Letter : self::A4,
            default => is_string($name) ? self::tryFrom($name) : null,
        };
    }

    /** @return array{float, float} */
    public function size(): array
    {
        return match ($this) {
            self::A4 => [210.0, 297.0],
            self::Letter => [215.9, 279.4],
        };
    }
}
