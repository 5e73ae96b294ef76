<?php

declare(strict_types=1);

namespace App\Exports;

use DateTimeImmutable;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Units\QuantityWriter;

/** A month to hang up: a field for each day with what is due and a box to tick; what does not go into its field is listed overleaf. */
final class MonthPdf
{
    private const SIDE_MM = 10.0;

    private const HEAD_MM = 20.0;

    private const FOOT_MM = 9.0;

    private const INSET_MM = 1.2;

    private const BOX_MM = 2.1;

    private const TEXT_PT = 6.3;

    private const LINE_MM = 2.7;

    private const LIST_PT = 9.0;

    private const LIST_LINE_MM = 4.4;

    private const WEEK = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    private readonly PdfPages $pdf;

    private readonly float $wide;

    private readonly float $high;

    private readonly QuantityWriter $write;

    /** @var array<string, string> the letter of each tub, as the drawings have it */
    private array $letters = [];

    /** @var array<int, list<string>> what did not go into its field, by day */
    private array $over = [];

    private function __construct(private readonly Garden $garden, private readonly string $title, Paper $paper)
    {
        $this->pdf = PdfPages::on($paper, $title, true);
        [$this->high, $this->wide] = $paper->size();
        $this->write = new QuantityWriter($garden->units);
        foreach ($garden->tubs as $i => $tub) {
            $this->letters[$tub->id] = chr(ord('A') + $i % 26).($i >= 26 ? (string) intdiv($i, 26) : '');
        }
    }

    /**
     * @param  list<Item>  $items
     * @param  string  $month  2027-04
     */
    public static function of(array $items, Garden $garden, string $month, Paper $paper): string
    {
        $first = new DateTimeImmutable("$month-01");
        $pdf = new self($garden, "$garden->name, ".$first->format('F Y'), $paper);
        $by = [];
        foreach ($items as $item) {
            $by[$item->date][] = $item;
        }
        $pdf->month(Dates::number("$month-01"), (int) $first->format('t'), $by);
        $pdf->overleaf();

        return $pdf->pdf->bytes();
    }

    /** @param  array<int, list<Item>>  $by */
    private function month(int $first, int $days, array $by): void
    {
        $this->page($this->title);
        $begins = Dates::weekday($first);
        $rows = (int) ceil(($begins + $days) / 7);
        $width = ($this->wide - 2 * self::SIDE_MM) / 7;
        $height = ($this->high - self::HEAD_MM - self::FOOT_MM) / $rows;
        $this->pdf->setFont(PdfPages::BOLD, '', 7.5);
        foreach (self::WEEK as $i => $name) {
            $this->pdf->Text(self::SIDE_MM + $i * $width, self::HEAD_MM - 5.0, $name);
        }
        for ($day = 0; $day < $days; $day++) {
            $place = $begins + $day;
            $this->field(
                $day + 1,
                $first + $day,
                self::SIDE_MM + $place % 7 * $width,
                self::HEAD_MM + intdiv($place, 7) * $height,
                $width,
                $height,
                $by[$first + $day] ?? [],
            );
        }
        $this->legend();
    }

    /** @param  list<Item>  $items */
    private function field(int $number, int $date, float $x, float $y, float $width, float $height, array $items): void
    {
        $this->pdf->Rect($x, $y, $width, $height);
        $this->pdf->setFont(PdfPages::BOLD, '', 8.0);
        $this->pdf->Text($x + $width - 7.0, $y + 0.8, (string) $number);
        $this->pdf->setFont(PdfPages::FONT, '', self::TEXT_PT);
        $at = $y + self::INSET_MM;
        $foot = $y + $height - self::INSET_MM - self::LINE_MM;
        $letters = array_map($this->letter(...), $items);
        $this->pdf->setFont(PdfPages::BOLD, '', self::TEXT_PT);
        $letterWide = 1.2 + max([0.0, ...array_map(fn (string $of): float => $this->pdf->GetStringWidth($of), $letters)]);
        $this->pdf->setFont(PdfPages::FONT, '', self::TEXT_PT);
        $textWide = $width - 2 * self::INSET_MM - self::BOX_MM - 1.0 - $letterWide;
        $left = [];
        foreach ($items as $i => $item) {
            $text = $this->says($item);
            // Beside the number of the day there is less room.
            $beside = $at < $y + 4.5 ? $textWide - 6.0 : $textWide;
            $lines = $this->pdf->getNumLines($text, $beside);
            if ($left !== [] || $at + $lines * self::LINE_MM > $foot) {
                $left[] = "$letters[$i]  $text";

                continue;
            }
            $this->box($x + self::INSET_MM, $at + 0.35, $item->done !== null);
            $textAt = $x + self::INSET_MM + self::BOX_MM + 0.4;
            $this->pdf->setFont(PdfPages::BOLD, '', self::TEXT_PT);
            $this->pdf->Text($textAt, $at, $letters[$i]);
            $this->pdf->setFont(PdfPages::FONT, '', self::TEXT_PT);
            $this->pdf->MultiCell(
                $beside, self::LINE_MM, $text, 0, 'L', false, 1, $textAt + $letterWide, $at, true, 0, false, false,
            );
            $at += $lines * self::LINE_MM + 0.5;
        }
        if ($left !== []) {
            $this->over[$date] = $left;
            $this->pdf->Text($x + self::INSET_MM, $y + $height - self::LINE_MM - 1.4, 'and '.count($left).' overleaf');
        }
    }

    /** The letter of its tub, and which of several alike. */
    private function letter(Item $item): string
    {
        return $this->letters[$item->tub].(($this->garden->tub($item->tub)->count ?? 1) > 1 ? (string) $item->copy : '');
    }

    private function says(Item $item): string
    {
        $parts = array_map(
            fn (array $p): string => $p['name'].' '
                .$this->write->number($p['amount'], $p['amount'] < 1 ? 2 : ($p['amount'] < 10 ? 1 : 0), $p['unit'] === 'ml' ? 'mL' : 'g'),
            $item->parts,
        );

        // A number and its unit stay on one line.
        return str_replace(["\u{202F}", ' mL', ' g'], ["\u{A0}", "\u{A0}mL", "\u{A0}g"], $item->says
            .($parts === [] ? '' : ': '.implode(', ', $parts)));
    }

    private function box(float $x, float $y, bool $isDone): void
    {
        $this->pdf->Rect($x, $y, self::BOX_MM, self::BOX_MM);
        if ($isDone) {
            $this->pdf->Line($x, $y, $x + self::BOX_MM, $y + self::BOX_MM);
            $this->pdf->Line($x + self::BOX_MM, $y, $x, $y + self::BOX_MM);
        }
    }

    private function legend(): void
    {
        $this->pdf->setFont(PdfPages::FONT, '', 7.0);
        $names = array_map(fn ($tub): string => $this->letters[$tub->id]." $tub->name", $this->garden->tubs);
        $this->pdf->MultiCell(
            $this->wide - 2 * self::SIDE_MM, 3.0, implode('   ', $names), 0, 'L', false, 1, self::SIDE_MM, $this->high - 7.5,
        );
    }

    private function overleaf(): void
    {
        $foot = $this->high - self::FOOT_MM;
        $at = INF;
        foreach ($this->over as $date => $texts) {
            foreach ($texts as $i => $text) {
                if ($at + self::LIST_LINE_MM > $foot) {
                    $this->page("$this->title: what did not go into its day");
                    $at = self::HEAD_MM;
                }
                if ($i === 0) {
                    $this->pdf->setFont(PdfPages::BOLD, '', self::LIST_PT);
                    $this->pdf->Text(self::SIDE_MM, $at, Dates::dayAndMonth($date));
                }
                $this->pdf->setFont(PdfPages::FONT, '', self::LIST_PT);
                $this->box(self::SIDE_MM + 36.0, $at + 1.0, false);
                $this->pdf->Text(self::SIDE_MM + 39.5, $at, $text);
                $at += self::LIST_LINE_MM;
            }
        }
    }

    private function page(string $title): void
    {
        $this->pdf->AddPage();
        $this->pdf->setFont(PdfPages::BOLD, '', 14.0);
        $this->pdf->Text(self::SIDE_MM, 6.0, $title);
        $this->pdf->setDrawColor(60, 60, 60);
        $this->pdf->setLineWidth(0.15);
    }
}
