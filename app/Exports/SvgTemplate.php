<?php

declare(strict_types=1);

namespace App\Exports;

use DOMDocument;
use DOMElement;
use KelpTub\Core\Build\Arc;
use KelpTub\Core\Build\Label;
use KelpTub\Core\Build\Layer;
use KelpTub\Core\Build\Line;
use KelpTub\Core\Build\Sheet;

/**
 * Templates as SVG: one user unit is one millimetre, a group to a layer, y turned about since SVG's points down. Several stand one over
 * another.
 */
final class SvgTemplate
{
    /** Room round each sheet, and between two, mm. */
    private const MARGIN = 10.0;

    private DOMDocument $svg;

    /** @param  non-empty-list<Sheet>  $sheets */
    private function __construct(private readonly array $sheets)
    {
        $this->svg = new DOMDocument('1.0', 'UTF-8');
        $this->svg->formatOutput = true;
    }

    /** @param  non-empty-list<Sheet>  $sheets */
    public static function of(array $sheets): string
    {
        return (new self($sheets))->written();
    }

    private function written(): string
    {
        $width = max(array_map(static fn (Sheet $s): float => $s->width(), $this->sheets)) + 2 * self::MARGIN;
        $height = array_sum(array_map(static fn (Sheet $s): float => $s->height() + 2 * self::MARGIN, $this->sheets));
        $root = $this->element($this->svg, 'svg', [
            'xmlns' => 'http://www.w3.org/2000/svg',
            'width' => self::number($width).'mm',
            'height' => self::number($height).'mm',
            'viewBox' => '0 0 '.self::number($width).' '.self::number($height),
        ]);
        $this->element($root, 'title', [])->append($this->sheets[0]->title.', 1 : 1, millimetres');
        $top = 0.0;
        foreach ($this->sheets as $sheet) {
            $this->sheet($root, $sheet, $top);
            $top += $sheet->height() + 2 * self::MARGIN;
        }

        return (string) $this->svg->saveXML();
    }

    private function sheet(DOMElement $root, Sheet $sheet, float $top): void
    {
        // The sheet's own origin: x to the right, y upward, so that a circle's centre reads as the report gives it.
        $x = self::MARGIN - $sheet->low->x;
        $y = $top + self::MARGIN + $sheet->high->y;
        $group = $this->element($root, 'g', [
            'id' => count($this->sheets) === 1 ? null : $sheet->what,
            'transform' => 'translate('.self::number($x).' '.self::number($y).')',
            'fill' => 'none',
            'stroke' => '#000',
            'stroke-width' => '0.2',
            'font-family' => 'sans-serif',
        ]);
        foreach (Layer::cases() as $layer) {
            $inner = $this->element(
                $group,
                'g',
                ['class' => $layer->value, 'id' => count($this->sheets) === 1 ? $layer->value : "$sheet->what-$layer->value"],
            );
            foreach ($sheet->items() as $item) {
                match (true) {
                    $item instanceof Line && $item->layer === $layer => $this->element($inner, 'line', [
                        'x1' => self::number($item->from->x), 'y1' => self::number(-$item->from->y),
                        'x2' => self::number($item->to->x), 'y2' => self::number(-$item->to->y),
                        'stroke-dasharray' => $item->dashed ? '4 3' : null,
                    ]),
                    $item instanceof Arc && $item->layer === $layer => $this->arc($inner, $item),
                    $item instanceof Label && $layer === Layer::Text => $this->element($inner, 'text', [
                        'x' => self::number($item->at->x), 'y' => self::number(-$item->at->y),
                        'font-size' => self::number($item->height), 'fill' => '#000', 'stroke' => 'none',
                    ])->append($item->text),
                    default => null,
                };
            }
        }
        $this->element($group, 'text', [
            'x' => self::number($sheet->low->x),
            'y' => self::number(-$sheet->high->y - 3.0),
            'font-size' => '4',
            'fill' => '#000',
            'stroke' => 'none',
        ])->append("$sheet->title, 1 : 1");
    }

    private function arc(DOMElement $group, Arc $arc): void
    {
        $dashes = $arc->dashed ? '4 3' : null;
        if ($arc->isCircle()) {
            $this->element($group, 'circle', [
                'cx' => self::number($arc->centre->x), 'cy' => self::number(-$arc->centre->y), 'r' => self::number($arc->radius),
                'stroke-dasharray' => $dashes,
            ]);

            return;
        }
        [$from, $to] = [$arc->at($arc->from), $arc->at($arc->to)];
        $this->element($group, 'path', [
            'd' => sprintf(
                'M%s %s A%3$s %3$s 0 %4$d 0 %5$s %6$s',
                self::number($from->x),
                self::number(-$from->y),
                self::number($arc->radius),
                $arc->to - $arc->from > 180.0 ? 1 : 0,
                self::number($to->x),
                self::number(-$to->y),
            ),
            'stroke-dasharray' => $dashes,
        ]);
    }

    /** @param  array<string, string|null>  $attributes */
    private function element(DOMDocument|DOMElement $in, string $name, array $attributes): DOMElement
    {
        $element = $this->svg->createElement($name);
        foreach ($attributes as $key => $value) {
            if ($value !== null) {
                $element->setAttribute($key, $value);
            }
        }
        $in->appendChild($element);

        return $element;
    }

    /** Millimetres to a millionth, without zeros that say nothing. */
    private static function number(float $mm): string
    {
        $text = rtrim(rtrim(number_format($mm, 7, '.', ''), '0'), '.');

        return $text === '-0' ? '0' : $text;
    }
}
