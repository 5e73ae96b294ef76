<?php

declare(strict_types=1);

namespace App\Exports;

use RuntimeException;

/** A template that would take more paper than anyone joins. */
final class TooManySheets extends RuntimeException
{
    public static function of(string $title, float $width, float $height, int $sheets, int $most): self
    {
        return new self(sprintf(
            '%s is %d by %d mm and would take %d sheets of paper; %d is the most. Take SVG or DXF to a print shop instead.',
            $title,
            round($width),
            round($height),
            $sheets,
            $most,
        ));
    }
}
