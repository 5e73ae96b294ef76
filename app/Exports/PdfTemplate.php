<?php

declare(strict_types=1);

namespace App\Exports;

use KelpTub\Core\Build\Arc;
use KelpTub\Core\Build\Label;
use KelpTub\Core\Build\Line;
use KelpTub\Core\Build\Sheet;

/**
 * Templates to print true to size, black on white: one page where a sheet fits, else tiles that overlap and are joined by their marks;
 * a check bar on every page.
 */
final class PdfTemplate
{
    /** A lid that takes more pages is not tiled. */
    public const MOST_SHEETS = 40;

    private const OVERLAP_MM = 10.0;

    /** What printers leave blank, and room at the foot for the check bars, mm. */
    private const SIDE_MM = 12.0;

    private const HEAD_MM = 16.0;

    private const FOOT_MM = 30.0;

    private const LINE_MM = 0.25;

    private const FOUR_INCHES_MM = 101.6;

    private PdfPages $pdf;

    /** @param  list<array{Sheet, bool, int, int}>  $sheets  each with whether its pages lie, its columns and its rows */
    private function __construct(private readonly array $sheets, private readonly Paper $paper)
    {
        $this->pdf = PdfPages::on($paper, $sheets[0][0]->title);
    }

    /**
     * @param  non-empty-list<Sheet>  $sheets
     *
     * @throws TooManySheets
     */
    public static function of(array $sheets, Paper $paper): string
    {
        $tiled = array_map(static fn (Sheet $sheet): array => [$sheet, ...self::tiles($sheet, $paper)], $sheets);

        return (new self($tiled, $paper))->written();
    }

    /**
     * How a sheet is dealt over pages: lying or upright, whichever takes fewer; upright where that is the same.
     *
     * @return array{bool, int, int} lying, columns, rows
     */
    private static function tiles(Sheet $sheet, Paper $paper): array
    {
        $best = null;
        foreach ([false, true] as $lying) {
            [$wide, $tall] = self::room($paper, $lying);
            $columns = self::pages($sheet->width(), $wide);
            $rows = self::pages($sheet->height(), $tall);
            if ($best === null || $columns * $rows < $best[1] * $best[2]) {
                $best = [$lying, $columns, $rows];
            }
        }
        if ($best[1] * $best[2] > self::MOST_SHEETS) {
            throw TooManySheets::of($sheet->title, $sheet->width(), $sheet->height(), $best[1] * $best[2], self::MOST_SHEETS);
        }

        return $best;
    }

    private static function pages(float $length, float $room): int
    {
        return $length <= $room ? 1 : (int) ceil(($length - self::OVERLAP_MM) / ($room - self::OVERLAP_MM) - 1.0e-9);
    }

    /** @return array{float, float} what can be drawn on */
    private static function room(Paper $paper, bool $lying): array
    {
        [$width, $height] = $paper->size();
        [$width, $height] = $lying ? [$height, $width] : [$width, $height];

        return [$width - 2 * self::SIDE_MM, $height - self::HEAD_MM - self::FOOT_MM];
    }

    private function written(): string
    {
        $pages = array_sum(array_map(static fn (array $s): int => $s[2] * $s[3], $this->sheets));
        $page = 0;
        foreach ($this->sheets as [$sheet, $lying, $columns, $rows]) {
            for ($row = 0; $row < $rows; $row++) {
                for ($column = 0; $column < $columns; $column++) {
                    $this->pdf->AddPage($lying ? 'L' : 'P', $this->paper->size());
                    $this->tile($sheet, $lying, $columns, $rows, $column, $row);
                    $this->frame($sheet, $lying, ++$page, $pages);
                }
            }
        }

        return $this->pdf->bytes();
    }

    /** One page's part of a sheet: rows from the back to the front. */
    private function tile(Sheet $sheet, bool $lying, int $columns, int $rows, int $column, int $row): void
    {
        [$wide, $tall] = self::room($this->paper, $lying);
        $left = self::SIDE_MM;
        $top = self::HEAD_MM;
        // A sheet that fits stands in the middle of its page; tiles go from the left and from the back.
        $x = $columns === 1 ? $left + ($wide - $sheet->width()) / 2 : $left - $column * ($wide - self::OVERLAP_MM);
        $y = $rows === 1 ? $top + ($tall - $sheet->height()) / 2 : $top - $row * ($tall - self::OVERLAP_MM);
        $pdf = $this->pdf;
        $pdf->StartTransform();
        $pdf->Rect($left - 0.5, $top - 0.5, $wide + 1.0, $tall + 1.0, 'CNZ');
        foreach ($sheet->items() as $item) {
            $this->draw($item, $x - $sheet->low->x, $y + $sheet->high->y);
        }
        $pdf->StopTransform();
        $this->joins($columns, $rows, $column, $row, $left, $top, $wide, $tall);
        if ($columns * $rows > 1) {
            $this->map($columns, $rows, $column, $row, $left + $wide, $top + $tall);
        }
    }

    private function draw(Line|Arc|Label $item, float $x, float $y): void
    {
        $pdf = $this->pdf;
        if ($item instanceof Label) {
            // A letter's height is its capital's: some seven tenths of the size of its font.
            $pdf->setFont(PdfPages::FONT, '', $item->height / 0.73 / 25.4 * 72);
            $left = $x + $item->at->x;
            $top = $y - $item->at->y - $pdf->getFontAscent(PdfPages::FONT, '', $pdf->getFontSizePt());
            // What begins off the page belongs to another one; a place below nothing would be counted from the other edge.
            if ($left >= 0.0 && $top >= 0.0 && $left < $pdf->getPageWidth() && $top < $pdf->getPageHeight()) {
                $pdf->Text($left, $top, $item->text);
            }

            return;
        }
        $style = ['width' => self::LINE_MM, 'dash' => $item->dashed ? '4,3' : 0, 'color' => [0, 0, 0], 'cap' => 'butt'];
        if ($item instanceof Line) {
            $pdf->Line($x + $item->from->x, $y - $item->from->y, $x + $item->to->x, $y - $item->to->y, $style);

            return;
        }
        $pdf->Circle($x + $item->centre->x, $y - $item->centre->y, $item->radius, $item->from, $item->to, 'D', $style);
    }

    /** Marks on the middle of each overlap, lettered alike on both pages: laid one on the other, they join. */
    private function joins(int $columns, int $rows, int $column, int $row, float $left, float $top, float $wide, float $tall): void
    {
        $half = self::OVERLAP_MM / 2;
        $upright = static fn (int $c, int $r): string => self::letter($r * ($columns - 1) + $c);
        $level = static fn (int $c, int $r): string => self::letter($rows * ($columns - 1) + $r * $columns + $c);
        if ($column > 0) {
            $this->join($left + $half, $top + $tall / 2, $upright($column - 1, $row));
        }
        if ($column < $columns - 1) {
            $this->join($left + $wide - $half, $top + $tall / 2, $upright($column, $row));
        }
        if ($row > 0) {
            $this->join($left + $wide / 2, $top + $half, $level($column, $row - 1));
        }
        if ($row < $rows - 1) {
            $this->join($left + $wide / 2, $top + $tall - $half, $level($column, $row));
        }
    }

    private function join(float $x, float $y, string $letter): void
    {
        $pdf = $this->pdf;
        $style = ['width' => self::LINE_MM, 'dash' => 0, 'color' => [0, 0, 0]];
        $pdf->Circle($x, $y, 2.5, 0, 360, 'D', $style);
        $pdf->Line($x - 4, $y, $x + 4, $y, $style);
        $pdf->Line($x, $y - 4, $x, $y + 4, $style);
        $pdf->setFont(PdfPages::BOLD, '', 9);
        $pdf->Text($x + 2.5, $y - 5.5, $letter);
    }

    /** A, B … Z, AA, AB … */
    private static function letter(int $n): string
    {
        return ($n >= 26 ? chr(64 + intdiv($n, 26)) : '').chr(65 + $n % 26);
    }

    /** The pages as they lie, this one filled. */
    private function map(int $columns, int $rows, int $column, int $row, float $right, float $foot): void
    {
        $cell = 4.0;
        for ($r = 0; $r < $rows; $r++) {
            for ($c = 0; $c < $columns; $c++) {
                $this->pdf->Rect(
                    $right - ($columns - $c) * $cell,
                    $foot + 9.0 + $r * $cell,
                    $cell,
                    $cell,
                    $c === $column && $r === $row ? 'DF' : 'D',
                    ['all' => ['width' => 0.2, 'dash' => 0, 'color' => [0, 0, 0]]],
                    [0, 0, 0],
                );
            }
        }
    }

    private function frame(Sheet $sheet, bool $lying, int $page, int $pages): void
    {
        $pdf = $this->pdf;
        [$wide, $tall] = self::room($this->paper, $lying);
        $foot = self::HEAD_MM + $tall;
        $pdf->setFont(PdfPages::BOLD, '', 11);
        $pdf->Text(self::SIDE_MM - 1, 6.0, $sheet->title);
        $pdf->setFont(PdfPages::FONT, '', 8);
        $pdf->Text(self::SIDE_MM - 1, $foot + 2.0, 'Print at 100 %: no scaling, no fit to page. Then hold a rule to the bars.');
        $style = ['width' => 0.3, 'dash' => 0, 'color' => [0, 0, 0], 'cap' => 'butt'];
        foreach ([[100.0, '100 mm', 12.0], [self::FOUR_INCHES_MM, '4 in', 18.0]] as [$length, $says, $down]) {
            $pdf->Line(self::SIDE_MM, $foot + $down, self::SIDE_MM + $length, $foot + $down, $style);
            foreach ([0.0, $length] as $at) {
                $pdf->Line(self::SIDE_MM + $at, $foot + $down - 1.5, self::SIDE_MM + $at, $foot + $down + 1.5, $style);
            }
            $pdf->Text(self::SIDE_MM + $length + 1.0, $foot + $down - 2.0, $says);
        }
        $pdf->Text(self::SIDE_MM + $wide - 26.0, $foot + 2.0, "page $page of $pages");
    }
}
