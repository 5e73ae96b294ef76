<?php

declare(strict_types=1);

namespace App\Exports;

use KelpTub\Core\Build\Arc;
use KelpTub\Core\Build\Label;
use KelpTub\Core\Build\Layer;
use KelpTub\Core\Build\Line;
use KelpTub\Core\Build\Sheet;

/**
 * Templates as DXF (ASCII, release 12): lines, arcs and circles in millimetres on a layer each, the first sheet's origin at its own,
 * further ones to its right. Release 12 knows no unit, so a text says it.
 */
final class DxfTemplate
{
    private const GAP_MM = 20.0;

    private string $text = '';

    /** @param  non-empty-list<Sheet>  $sheets */
    public static function of(array $sheets): string
    {
        $dxf = new self;
        $dxf->group([0 => 'SECTION', 2 => 'HEADER']);
        $dxf->group([9 => '$ACADVER', 1 => 'AC1009']);
        $dxf->group([0 => 'ENDSEC']);
        $dxf->layers();
        $dxf->group([0 => 'SECTION', 2 => 'ENTITIES']);
        $x = 0.0;
        foreach ($sheets as $i => $sheet) {
            $x = $i === 0 ? 0.0 : $x - $sheet->low->x;
            $dxf->sheet($sheet, $x);
            $x += $sheet->high->x + self::GAP_MM;
        }
        $dxf->group([0 => 'ENDSEC']);
        $dxf->group([0 => 'EOF']);

        return $dxf->text;
    }

    private function layers(): void
    {
        $this->group([0 => 'SECTION', 2 => 'TABLES']);
        $this->group([0 => 'TABLE', 2 => 'LTYPE', 70 => 2]);
        $this->group([0 => 'LTYPE', 2 => 'CONTINUOUS', 70 => 0, 3 => 'Solid', 72 => 65, 73 => 0, 40 => 0.0]);
        $this->group([0 => 'LTYPE', 2 => 'DASHED', 70 => 0, 3 => 'Dashed', 72 => 65, 73 => 2, 40 => 7.0]);
        $this->group([49 => 4.0]);
        $this->group([49 => -3.0]);
        $this->group([0 => 'ENDTAB']);
        $this->group([0 => 'TABLE', 2 => 'LAYER', 70 => count(Layer::cases())]);
        foreach (Layer::cases() as $layer) {
            $this->group([0 => 'LAYER', 2 => self::name($layer), 70 => 0, 62 => 7, 6 => 'CONTINUOUS']);
        }
        $this->group([0 => 'ENDTAB']);
        $this->group([0 => 'ENDSEC']);
    }

    private function sheet(Sheet $sheet, float $x): void
    {
        foreach ($sheet->items() as $item) {
            match (true) {
                $item instanceof Line => $this->group([
                    0 => 'LINE', 8 => self::name($item->layer), 6 => $item->dashed ? 'DASHED' : 'CONTINUOUS',
                    10 => $item->from->x + $x, 20 => $item->from->y, 30 => 0.0, 11 => $item->to->x + $x, 21 => $item->to->y, 31 => 0.0,
                ]),
                $item instanceof Arc => $this->group([
                    0 => $item->isCircle() ? 'CIRCLE' : 'ARC', 8 => self::name($item->layer), 6 => $item->dashed ? 'DASHED' : 'CONTINUOUS',
                    10 => $item->centre->x + $x, 20 => $item->centre->y, 30 => 0.0, 40 => $item->radius,
                    ...[],
                ] + ($item->isCircle() ? [] : [50 => $item->from, 51 => fmod($item->to, 360.0)])),
                $item instanceof Label => $this->words($item->text, $item->at->x + $x, $item->at->y, $item->height),
            };
        }
        $this->words("$sheet->title, 1 : 1, mm", $sheet->low->x + $x, $sheet->high->y + 5.0, 4.0);
    }

    private function words(string $text, float $x, float $y, float $height): void
    {
        $this->group([0 => 'TEXT', 8 => self::name(Layer::Text), 10 => $x, 20 => $y, 30 => 0.0, 40 => $height, 1 => self::ascii($text)]);
    }

    /** @param  array<int, string|int|float>  $codes */
    private function group(array $codes): void
    {
        foreach ($codes as $code => $value) {
            $this->text .= sprintf("%3d\r\n%s\r\n", $code, is_float($value) ? number_format($value, 8, '.', '') : $value);
        }
    }

    private static function name(Layer $layer): string
    {
        return strtoupper(str_replace('-', '', $layer->value));
    }

    /** One line of printable signs of ASCII: Ø as its own code, letters without their marks, anything else as a question mark. */
    private static function ascii(string $text): string
    {
        $plain = str_replace(['Ø', "\u{202f}", "\u{2009}", '×', '–', '’'], ['%%c', ' ', ' ', 'x', '-', "'"], $text);
        $plain = (string) preg_replace('/\p{M}/u', '', (string) \Normalizer::normalize($plain, \Normalizer::FORM_D));

        return (string) preg_replace('/[^\x20-\x7e]/u', '?', $plain);
    }
}
