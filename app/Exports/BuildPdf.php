<?php

declare(strict_types=1);

namespace App\Exports;

use DateTimeImmutable;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\PlanOfDays;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/** A build sheet and a parts list to print, black on white, with a box to tick at each step and part. */
final class BuildPdf
{
    private const SIDE_MM = 18.0;

    private const BOX_MM = 4.5;

    private const DRAWING_MM = 92.0;

    private const CARD_MM = 130.0;

    /** A line of text, mm for each point of its size; a line of the table of holes. */
    private const LINE_MM = 0.42;

    private const PLACE_MM = 4.6;

    /** Kinds of parts, in the order in which they are listed. */
    private const KINDS = ['part' => 'To build with', 'consumable' => 'Used up', 'tool' => 'Tools', 'extra' => 'Extras'];

    private PdfPages $pdf;

    /** @var array<string, true> cautions that stand on the sheet already */
    private array $cautioned = [];

    private float $wide;

    private float $foot;

    private function __construct(private readonly Paper $paper, private readonly string $title)
    {
        $this->pdf = PdfPages::on($paper, $title);
        [$width, $height] = $paper->size();
        $this->wide = $width - 2 * self::SIDE_MM;
        $this->foot = $height - 18.0;
    }

    /**
     * First the tub as a whole, drawn, with its days; then each step.
     *
     * @param  stdClass  $sheet  as BuildReport answers it
     * @param  stdClass  $tub  as the report has it
     */
    public static function sheet(stdClass $sheet, stdClass $tub, Garden $garden, Paper $paper): string
    {
        $pdf = new self($paper, "$garden->name: build sheet, $sheet->name");
        $pdf->page();
        $pdf->line(PlanOfDays::spell($sheet->minutes).' of work in all, an estimate'
            .($sheet->count > 1 ? "; $sheet->count alike, built together" : ''), 9);
        $write = new QuantityWriter($garden->units);
        $top = $pdf->pdf->GetY();
        [$scale, $height] = (new TubDrawing($pdf->pdf, $tub, $write))->draw(self::SIDE_MM, $top, $pdf->wide, self::DRAWING_MM);
        $pdf->pdf->setY($top + $height + 1.0);
        $pdf->line("Drawn at $scale, to look at. What is cut goes by the templates, printed at 100 %.", 8);
        $pdf->days($sheet);
        foreach ($sheet->steps as $n => $step) {
            $pdf->step($n + 1, $step);
        }
        $pdf->card($sheet, $tub, $write);

        return $pdf->finished();
    }

    /** A card to cut out and keep with the tub: its line, and what a fill takes at each stage. */
    private function card(stdClass $sheet, stdClass $tub, QuantityWriter $write): void
    {
        $rows = [[
            'Water line', $write->length($tub->levels->water_line_mm).' over the inside floor, '.$write->volume($tub->volume->working_l),
        ]];
        foreach ($tub->feed->stages ?? [] as $stage) {
            $parts = array_map(
                static fn (stdClass $p): string => "$p->name "
                    .($p->g !== null ? self::amount($p->g).' g' : self::amount((float) $p->ml).' mL'),
                $stage->parts,
            );
            $ec = $stage->ec_ms_cm === null ? '' : ', EC '.$write->number($stage->ec_ms_cm, 1, 'mS/cm');
            $rows[] = ["From day $stage->from_day", implode(', ', $parts).$ec];
        }
        if (($tub->feed->ph ?? null) !== null) {
            $ph = $tub->feed->ph;
            $rows[] = ['pH', $write->number($ph->target, 1).', within '.$write->number($ph->low, 1).' to '.$write->number($ph->high, 1)];
        }
        $height = 12.0 + 6.0 * count($rows);
        $this->room($height + 6.0);
        $top = $this->pdf->GetY() + 3.0;
        $cut = ['width' => 0.2, 'dash' => '2,1.5', 'color' => [0, 0, 0]];
        $this->pdf->Rect(self::SIDE_MM, $top, self::CARD_MM, $height, 'D', ['all' => $cut]);
        $this->pdf->setXY(self::SIDE_MM + 3.0, $top + 2.5);
        $this->pdf->setFont(PdfPages::BOLD, '', 11);
        $this->pdf->Cell(self::CARD_MM - 6.0, 6.0, "$sheet->name: a fill of it", 0, 0, 'L', false, '', 1);
        foreach ($rows as $i => [$name, $says]) {
            $this->pdf->setXY(self::SIDE_MM + 3.0, $top + 9.5 + 6.0 * $i);
            $this->pdf->setFont(PdfPages::FONT, '', 10);
            $this->pdf->Cell(28.0, 5.0, $name);
            $this->pdf->setFont(PdfPages::BOLD, '', 10);
            $this->pdf->Cell(self::CARD_MM - 34.0, 5.0, $says, 0, 0, 'L', false, '', 1);
        }
        $this->pdf->setY($top + $height + 3.0);
    }

    /** What comes on which day, counted from the day on which the plants go in; with its date, where that is known. */
    private function days(stdClass $sheet): void
    {
        $this->text('Days, counted from planting', 11, 0.0, true);
        foreach ($sheet->days as $day) {
            $y = $this->pdf->GetY();
            $this->text(($day->day < 0 ? '−' : '').abs($day->day), 9.5, 2.0, true);
            $this->pdf->setY($y);
            $this->text(($day->date === null ? '' : (new DateTimeImmutable($day->date))->format('D j M Y').': ').$day->does, 9.5, 16.0);
        }
        $this->pdf->setY($this->pdf->GetY() + 4.0);
    }

    /** @param  stdClass  $report  with parts and budget */
    public static function parts(stdClass $report, string $garden, Paper $paper): string
    {
        $pdf = new self($paper, "$garden: parts list");
        $pdf->page();
        $budget = $report->budget;
        $least = $budget->unpriced === [] ? '' : 'at least ';
        $pdf->line("Outlay $least".number_format($budget->outlay, 2, '.', '')." $budget->currency", 10);
        $had = array_filter($report->parts, static fn (stdClass $p): bool => $p->buy === [] && $p->priced);
        foreach (self::KINDS as $kind => $name) {
            $pdf->group($name, array_filter(
                array_diff_key($report->parts, $had),
                static fn (stdClass $p): bool => $p->kind === $kind,
            ));
        }
        $pdf->group('You have these already', $had);
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
        $texts = $this->texts($number, $step);
        $this->room($this->heightOf($texts, $this->placesOf($step)));
        $this->box($this->pdf->GetY());
        foreach ($texts as $i => [$text, $points, $bold]) {
            $this->text($text, $points, 9.0, $bold);
            if ($i === 1) {
                $this->places($this->placesOf($step));
            }
        }
        $this->pdf->setY($this->pdf->GetY() + 3.0);
    }

    /**
     * What is written at a step: its title, what to do, and the rest. A caution stands where it first applies.
     *
     * @return list<array{string, float, bool}> text, size in points, whether bold
     */
    private function texts(int $number, stdClass $step): array
    {
        $texts = [["$number  $step->title", 11.0, true], [$step->does, 10.0, false]];
        foreach (['figures' => '', 'parts' => 'Parts: ', 'tools' => 'Tools: '] as $of => $name) {
            $says = $this->said($of === 'figures' ? array_filter($step->figures, self::isNoPlace(...)) : $step->{$of});
            if ($says !== '') {
                $texts[] = [$name.$says, 9.0, false];
            }
        }
        foreach ($step->cautions as $caution) {
            if (! isset($this->cautioned[$caution->key])) {
                $this->cautioned[$caution->key] = true;
                $texts[] = ["Caution: $caution->says", 9.0, true];
            }
        }
        $texts[] = ["Done when: $step->done_when   (".PlanOfDays::spell($step->minutes).')', 9.0, false];
        if ($step->if_not !== null) {
            $texts[] = ["If not: $step->if_not", 9.0, false];
        }

        return $texts;
    }

    /** @return list<stdClass> where its holes are */
    private function placesOf(stdClass $step): array
    {
        return array_values(array_filter($step->figures, static fn (stdClass $f): bool => ! self::isNoPlace($f)));
    }

    private static function isNoPlace(stdClass $figure): bool
    {
        return preg_match('/^Hole \d+$/', $figure->label) !== 1;
    }

    /**
     * Where holes are, as a table: two of them on a line.
     *
     * @param  list<stdClass>  $places
     */
    private function places(array $places): void
    {
        $this->pdf->setFont(PdfPages::FONT, '', 9.5);
        foreach (array_chunk($places, 2) as $pair) {
            $y = $this->pdf->GetY();
            foreach ($pair as $i => $place) {
                $x = self::SIDE_MM + 9.0 + $i * ($this->wide - 9.0) / 2;
                $this->pdf->setXY($x, $y);
                $this->pdf->Cell(14.0, self::PLACE_MM, substr($place->label, 5), 1, 0, 'C');
                $this->pdf->Cell(($this->wide - 9.0) / 2 - 16.0, self::PLACE_MM, $place->value, 1, 0, 'L', false, '', 1);
            }
            $this->pdf->setY($y + self::PLACE_MM);
        }
        if ($places !== []) {
            $this->pdf->setY($this->pdf->GetY() + 1.0);
        }
    }

    /** @param  array<int, stdClass>  $pairs */
    private function said(array $pairs): string
    {
        return implode('; ', array_map(static fn (stdClass $p): string => isset($p->label) ? "$p->label $p->value" : $p->name, $pairs));
    }

    /** @param  array<int, stdClass>  $parts */
    private function group(string $name, array $parts): void
    {
        if ($parts === []) {
            return;
        }
        $this->room(16.0);
        $sum = array_sum(array_map(static fn (stdClass $p): float => $p->priced ? $p->cost : 0.0, $parts));
        $this->row([$name, '', '', $sum > 0.0 ? number_format($sum, 2, '.', '') : ''], 10, true);
        foreach ($parts as $part) {
            $this->part($part);
        }
        $this->pdf->setY($this->pdf->GetY() + 3.0);
    }

    /** What it is and why, how much is needed, what is bought, and what that costs. */
    private function part(stdClass $part): void
    {
        $this->room(12.0);
        $this->box($this->pdf->GetY());
        $this->row([
            $part->name,
            self::amount($part->need).($part->unit === 'piece' ? '' : " $part->unit"),
            implode(' + ', array_map(static fn (stdClass $b): string => "$b->count × ".self::amount($b->pack)
                .($part->unit === 'piece' ? '' : " $part->unit").' at '.number_format($b->price, 2, '.', '')
                .($b->supplier === null ? '' : ", $b->supplier"), $part->buy)),
            match (true) {
                ! $part->priced => 'no price known',
                $part->buy === [] => '',
                default => number_format($part->cost, 2, '.', ''),
            },
        ], 9.5, false);
        $this->text($part->why, 8, 9.0);
        $this->pdf->setY($this->pdf->GetY() + 1.2);
        $this->pdf->Line(self::SIDE_MM, $this->pdf->GetY() - 0.4, self::SIDE_MM + $this->wide, $this->pdf->GetY() - 0.4, ['width' => 0.1]);
    }

    /** @param  array{string, string, string, string}  $cells */
    private function row(array $cells, float $points, bool $bold): void
    {
        $y = $this->pdf->GetY();
        $next = $y;
        $x = self::SIDE_MM + ($bold ? 0.0 : 9.0);
        $this->pdf->setFont($bold ? PdfPages::BOLD : PdfPages::FONT, '', $points);
        foreach ([0.40, 0.16, 0.28, 0.16] as $i => $share) {
            $width = $share * $this->wide - ($i === 0 && ! $bold ? 9.0 : 0.0);
            $this->pdf->setXY($x, $y);
            $this->pdf->MultiCell($width, $points * 0.44, $cells[$i], 0, $i === 0 || $i === 2 ? 'L' : 'R');
            $next = max($next, $this->pdf->GetY());
            $x += $width;
        }
        $this->pdf->setY($next + 0.4);
    }

    private static function amount(float $value): string
    {
        return QuantityWriter::plain($value, $value < 10 ? 2 : 0);
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
        $this->pdf->MultiCell($this->wide - $indent, $points * self::LINE_MM, $text, 0, 'L');
    }

    /**
     * @param  list<array{string, float, bool}>  $texts
     * @param  list<stdClass>  $places
     */
    private function heightOf(array $texts, array $places): float
    {
        $height = 3.0 + self::PLACE_MM * ceil(count($places) / 2);
        foreach ($texts as [$text, $points, $bold]) {
            $this->pdf->setFont($bold ? PdfPages::BOLD : PdfPages::FONT, '', $points);
            $height += $this->pdf->getNumLines($text, $this->wide - 9.0) * $points * self::LINE_MM;
        }

        return $height;
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
