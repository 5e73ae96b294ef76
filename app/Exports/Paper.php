<?php

declare(strict_types=1);

namespace App\Exports;

/** Paper to print on; width and height in mm, upright. */
enum Paper: string
{
    case A4 = 'a4';
    case Letter = 'letter';

    /** @return array{float, float} */
    public function size(): array
    {
        return match ($this) {
            self::A4 => [210.0, 297.0],
            self::Letter => [215.9, 279.4],
        };
    }
}
