<?php

declare(strict_types=1);

namespace App\Exports;

use KelpTub\Core\Build\Sheet;

/** A tub's templates as a file: the same bytes for the page and for the command line. */
final class TemplateFile
{
    /**
     * @param  non-empty-array<string, Sheet>  $sheets  all that the tub has, by what they are
     * @param  string  $what  one of them; all of them where it is none
     * @param  string  $as  pdf, svg or dxf
     * @return string|null null where it cannot be written so
     *
     * @throws TooManySheets
     */
    public static function of(array $sheets, string $what, string $as, Paper $paper): ?string
    {
        $chosen = isset($sheets[$what]) ? [$sheets[$what]] : array_values($sheets);

        return match ($as) {
            'pdf' => PdfTemplate::of($chosen, $paper),
            'svg' => SvgTemplate::of($chosen),
            'dxf' => DxfTemplate::of($chosen),
            default => null,
        };
    }
}
