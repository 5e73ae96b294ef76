<?php

declare(strict_types=1);

namespace App\Exports;

use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * A tub on paper, black on white and at one scale: cut through from the front with its levels, cups and stones, and its lid from above with
 * its holes numbered. For an overview: what is cut goes by the templates at 1 : 1.
 */
final readonly class TubDrawing
{
    private const FINE = ['width' => 0.2, 'dash' => 0, 'color' => [0, 0, 0]];

    private const BOLD = ['width' => 0.5, 'dash' => 0, 'color' => [0, 0, 0]];

    private const DASHED = ['width' => 0.2, 'dash' => '1.2,1.2', 'color' => [0, 0, 0]];

    private const POINTS = 7.5;

    /** Room for words beside a drawing, mm. */
    private const WORDS_MM = 30.0;

    /** @param  stdClass  $tub  of a report */
    public function __construct(private PdfPages $pdf, private stdClass $tub, private QuantityWriter $write)
    {
    }

    /**
     * Both drawings side by side, in a box of no more than so much, mm on the page.
     *
     * @return array{string, float} the scale, in words, and the height that they take
     */
    public function draw(float $left, float $top, float $width, float $height): array
    {
        $shape = $this->tub->shape;
        $tall = $this->top() + 20.0;
        $across = max($shape->lid->length_mm, ...array_map(static fn (stdClass $s): float => $s->length_mm, $shape->stations));
        $plans = $shape->in_mouth ? 0 : 1;
        $scale = min(
            ($width - self::WORDS_MM - 8.0 * $plans) / ($across * (1 + $plans)),
            ($height - 16.0) / max($tall, $plans * $shape->lid->width_mm),
        );
        $height = max($tall, $plans * $shape->lid->width_mm) * $scale + 16.0;
        $this->section($left + $across * $scale / 2, $top + $height - 8.0, $scale, $left + $across * $scale + 1.0);
        if ($plans > 0) {
            $this->plan($left + $width - $across * $scale / 2, $top + $height - 8.0 - $shape->lid->width_mm * $scale / 2, $scale);
        }

        return ['1 : '.$this->write->number(1 / $scale, 1 / $scale < 10 ? 1 : 0), $height];
    }

    /** Height of the highest part over the inside floor, mm. */
    private function top(): float
    {
        return max(
            $this->tub->levels->rim_mm,
            $this->tub->levels->lid_top_mm,
            ...array_map(static fn (stdClass $c): float => $c->bottom_mm + $c->height_mm, $this->tub->shape->cups),
        );
    }

    private function section(float $x, float $base, float $k, float $words): void
    {
        $shape = $this->tub->shape;
        $levels = $this->tub->levels;
        $points = [];
        foreach ($shape->stations as $s) {
            $points[] = [$s->length_mm / 2, $s->height_mm];
        }
        $right = $left = [];
        foreach ($points as [$half, $height]) {
            array_push($right, $x + $half * $k, $base - $height * $k);
            array_unshift($left, $x - $half * $k, $base - $height * $k);
        }
        $this->pdf->PolyLine([...$left, ...$right], 'D', self::BOLD);
        if (! $shape->in_mouth && $this->tub->raft === null) {
            $this->pdf->Rect(
                $x - $shape->lid->length_mm / 2 * $k,
                $base - $levels->lid_top_mm * $k - 0.8,
                $shape->lid->length_mm * $k,
                0.8,
                'F',
                [],
                [0, 0, 0],
            );
        }
        $this->cups($x, $base, $k);
        foreach ($shape->stones->at ?? [] as $stone) {
            $half = $shape->stones->length_mm / 2 * $k;
            $high = $shape->stones->height_mm * $k;
            $this->pdf->Rect($x + $stone->x_mm * $k - $half, $base - $high, 2 * $half, $high, 'DF', ['all' => self::FINE], [190, 190, 190]);
        }
        $this->levels($x, $base, $k, $words);
        $this->text($x, $base + 3.5, $this->write->length($shape->stations[0]->length_mm).' at the floor', 'C');
    }

    private function cups(float $x, float $base, float $k): void
    {
        $shape = $this->tub->shape;
        $drawn = [];
        $holes = $shape->in_mouth ? [(object) ['x_mm' => 0.0, 'cup' => 1]] : $this->tub->layout->holes;
        foreach ($holes as $hole) {
            $place = round($hole->x_mm)."/$hole->cup";
            $cup = $shape->cups[$hole->cup - 1] ?? $shape->cup;
            if (isset($drawn[$place])) {
                continue;
            }
            $drawn[$place] = true;
            [$foot, $rim] = [$base - $cup->bottom_mm * $k, $base - ($cup->bottom_mm + $cup->height_mm) * $k];
            [$at, $wide, $narrow] = [$x + $hole->x_mm * $k, $cup->top_diameter_mm / 2 * $k, $cup->bottom_diameter_mm / 2 * $k];
            $this->pdf->Polygon(
                [$at - $wide, $rim, $at + $wide, $rim, $at + $narrow, $foot, $at - $narrow, $foot],
                'DF',
                ['all' => self::FINE],
                [235, 235, 235],
            );
        }
    }

    /** The levels as lines, with their heights and litres beside them; those that would lie on one another are moved apart. */
    private function levels(float $x, float $base, float $k, float $words): void
    {
        $levels = $this->tub->levels;
        $volume = $this->tub->volume;
        $lines = [['water line', $levels->water_line_mm, $volume->working_l, self::BOLD]];
        if (abs($levels->start_line_mm - $levels->water_line_mm) > 0.5) {
            $lines[] = ['first fill', $levels->start_line_mm, $volume->start_l, self::FINE];
        }
        if ($levels->lowest_mm !== null) {
            $lines[] = ['lowest', $levels->lowest_mm, null, self::DASHED];
        }
        $lines[] = ['rim', $levels->rim_mm, $volume->brim_l, null];
        usort($lines, static fn (array $a, array $b): int => $b[1] <=> $a[1]);
        $from = -INF;
        foreach ($lines as [$name, $height, $litres, $style]) {
            $y = $base - $height * $k;
            $half = $this->halfAt($height) * $k;
            if ($style !== null) {
                $this->pdf->Line($x - $half, $y, $x + $half, $y, $style);
            }
            $at = max($y, $from);
            $this->pdf->Line($x + $half, $y, $words, $at, self::FINE);
            $this->text($words + 0.5, $at - 1.6, $name.' '.$this->write->length($height));
            if ($litres !== null) {
                $this->text($words + 0.5, $at + 1.4, $this->write->volume($litres));
            }
            $from = $at + ($litres === null ? 3.6 : 6.8);
        }
    }

    /** Half the inside's length at a height, straight between the stations, mm. */
    private function halfAt(float $height): float
    {
        $stations = $this->tub->shape->stations;
        $under = $stations[0];
        foreach ($stations as $over) {
            if ($over->height_mm >= $height) {
                $between = $over->height_mm - $under->height_mm;
                $way = $between > 0.0 ? ($height - $under->height_mm) / $between : 0.0;

                return ($under->length_mm + $way * ($over->length_mm - $under->length_mm)) / 2;
            }
            $under = $over;
        }

        return $under->length_mm / 2;
    }

    private function plan(float $x, float $y, float $k): void
    {
        $lid = $this->tub->shape->lid;
        if ($lid->round) {
            $this->pdf->Circle($x, $y, $lid->length_mm / 2 * $k, 0, 360, 'D', self::BOLD);
        } else {
            $this->pdf->RoundedRect(
                $x - $lid->length_mm / 2 * $k,
                $y - $lid->width_mm / 2 * $k,
                $lid->length_mm * $k,
                $lid->width_mm * $k,
                $lid->corner_radius_mm * $k,
                '1111',
                'D',
                self::BOLD,
            );
        }
        foreach ($this->tub->layout->holes as $i => $hole) {
            $of = $hole->cup === 2 ? $this->tub->hole_2 ?? $this->tub->hole : $this->tub->hole;
            [$at, $down] = [$x + $hole->x_mm * $k, $y - $hole->y_mm * $k];
            $this->pdf->Circle($at, $down, $of->diameter_mm / 2 * $k, 0, 360, 'D', self::FINE);
            $this->text($at, $down - 1.6, (string) ($i + 1), 'C');
        }
        $says = $lid->round
            ? $this->write->length($lid->length_mm).' across'
            : $this->write->length($lid->length_mm).' × '.$this->write->length($lid->width_mm).', your side below';
        $this->text($x, $y + $lid->width_mm / 2 * $k + 1.2, $says, 'C');
    }

    private function text(float $x, float $y, string $text, string $align = 'L'): void
    {
        $this->pdf->setFont(PdfPages::FONT, '', self::POINTS);
        $wide = $this->pdf->GetStringWidth($text) + 2.0;
        $this->pdf->setXY($align === 'C' ? $x - $wide / 2 : $x, $y);
        $this->pdf->Cell($wide, 3.2, $text, 0, 0, $align);
    }
}
