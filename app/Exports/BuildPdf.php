<?php

declare(strict_types=1);

namespace App\Exports;

use stdClass;

/** A build sheet and a parts list to print, black on white, with a box to tick at each step and part. */
final class BuildPdf
{
    private const SIDE_MM = 18.0;

    private const BOX_MM = 4.5;

    private PdfPages $pdf;

    private float $wide;

    private float $foot;

    private function __construct(private readonly Paper $paper, private readonly string $title)
    {
        $this->pdf = PdfPages::on($paper, $title);
        [$width, $height] = $paper->size();
        $this->wide = $width - 2 * self::SIDE_MM;
        $this->foot = $height - 18.0;
    }

    /** @param  stdClass  $sheet  as BuildReport answers it */
    public static function sheet(stdClass $sheet, string $garden, Paper $paper): string
    {
        $pdf = new self($paper, "$garden: build sheet, $sheet->name");
        $pdf->page();
        $pdf->line("$sheet->minutes min in all, an estimate".($sheet->count > 1 ? "; $sheet->count alike, built together" : ''), 9);
        foreach ($sheet->steps as $n => $step) {
            $pdf->step($n + 1, $step);
        }

        return $pdf->finished();
    }

    /** @param  stdClass  $report  with parts and budget */
    public static function parts(stdClass $report, string $garden, Paper $paper): string
    {
        $pdf = new self($paper, "$garden: parts list");
        $pdf->page();
        $budget = $report->budget;
        $least = $budget->unpriced === [] ? '' : 'at least ';
        $pdf->line("Outlay $least".number_format($budget->outlay, 2, '.', '')." $budget->currency", 10);
        foreach ($report->parts as $part) {
            $pdf->part($part);
        }
        foreach ($budget->parcels as $parcel) {
            $pdf->line("Parcel from $parcel->supplier: ".number_format($parcel->cost, 2, '.', ''), 9);
        }

        return $pdf->finished();
    }

    private function page(): void
    {
        $this->pdf->AddPage('P', $this->paper->size());
        $this->pdf->setFont(PdfPages::BOLD, '', 13);
        $this->pdf->setXY(self::SIDE_MM, 14.0);
        $this->pdf->MultiCell($this->wide, 6.0, $this->title, 0, 'L');
        $this->pdf->setY($this->pdf->GetY() + 2.0);
    }

    private function step(int $number, stdClass $step): void
    {
        $this->room($this->heightOf($step));
        $top = $this->pdf->GetY();
        $this->box($top);
        $this->text("$number  $step->title", 11, 9.0, true);
        $this->text($step->does, 9.5, 9.0);
        foreach (['figures' => '', 'parts' => 'Parts: ', 'tools' => 'Tools: '] as $of => $name) {
            $says = $this->said($step->{$of});
            if ($says !== '') {
                $this->text($name.$says, 8.5, 9.0);
            }
        }
        foreach ($step->cautions as $caution) {
            $this->text("Caution: $caution->says", 8.5, 9.0, true);
        }
        $this->text("Done when: $step->done_when   ($step->minutes min)", 8.5, 9.0);
        $this->pdf->setY($this->pdf->GetY() + 3.0);
    }

    /** @param  list<stdClass>  $pairs */
    private function said(array $pairs): string
    {
        return implode('; ', array_map(static fn (stdClass $p): string => isset($p->label) ? "$p->label $p->value" : $p->name, $pairs));
    }

    private function part(stdClass $part): void
    {
        $this->room(14.0);
        $this->box($this->pdf->GetY());
        $buy = implode(' + ', array_map(
            static fn (stdClass $b): string => "$b->count × ".rtrim(rtrim(number_format($b->pack, 2, '.', ''), '0'), '.')
                .($b->supplier === null ? '' : " from $b->supplier"),
            $part->buy,
        ));
        $need = rtrim(rtrim(number_format($part->need, 1, '.', ''), '0'), '.');
        $this->text("$part->name: $need ".($part->unit === 'piece' ? '' : $part->unit), 10, 9.0, true);
        $cost = $part->priced ? number_format($part->cost, 2, '.', '') : 'no price known';
        $this->text(match (true) {
            $buy !== '' => "Buy $buy, $cost",
            $part->priced => 'You have it',
            default => $cost,
        }.". $part->why.", 8.5, 9.0);
        $this->pdf->setY($this->pdf->GetY() + 1.5);
    }

    private function box(float $top): void
    {
        $this->pdf->Rect(self::SIDE_MM, $top + 0.6, self::BOX_MM, self::BOX_MM, 'D', ['all' => ['width' => 0.3, 'color' => [0, 0, 0]]]);
    }

    private function line(string $text, float $points): void
    {
        $this->room(6.0);
        $this->text($text, $points, 0.0);
        $this->pdf->setY($this->pdf->GetY() + 2.0);
    }

    private function text(string $text, float $points, float $indent, bool $bold = false): void
    {
        $this->pdf->setFont($bold ? PdfPages::BOLD : PdfPages::FONT, '', $points);
        $this->pdf->setX(self::SIDE_MM + $indent);
        $this->pdf->MultiCell($this->wide - $indent, $points * 0.42, $text, 0, 'L');
    }

    private function heightOf(stdClass $step): float
    {
        $chars = strlen($step->does) + array_sum(array_map(static fn (stdClass $c): int => strlen($c->says), $step->cautions))
            + strlen($this->said($step->figures).$this->said($step->parts).$this->said($step->tools).$step->done_when);

        return 14.0 + 4.2 * ($chars / 85 + 5);
    }

    /** Goes on to the next page where so much does not fit on this one. */
    private function room(float $height): void
    {
        if ($this->pdf->GetY() + min($height, 120.0) > $this->foot) {
            $this->page();
        }
    }

    private function finished(): string
    {
        $pages = $this->pdf->getNumPages();
        for ($page = 1; $page <= $pages; $page++) {
            $this->pdf->setPage($page);
            $this->pdf->setFont(PdfPages::FONT, '', 8);
            $this->pdf->Text(self::SIDE_MM - 1, $this->foot + 4.0, "page $page of $pages");
        }

        return $this->pdf->bytes();
    }
}
