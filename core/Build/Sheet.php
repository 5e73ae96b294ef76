<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\Point;

/**
 * A template as it is drawn, true to size: lines, arcs and words in mm, x to the right, y away from the grower. Source: handbook, build,
 * "Drawings at 1 : 1".
 */
final class Sheet
{
    /** A centre's cross from end to end, mm. */
    public const CROSS_MM = 8.0;

    /** @var list<Line|Arc|Label> */
    private array $items = [];

    /**
     * @param  string  $what  lid, wall, adapter, raft, gauge, wrap or collar
     * @param  string  $title  what is written over it
     * @param  Point  $low  the corner with the least x and y of all that is drawn
     * @param  Point  $high  the opposite one
     */
    public function __construct(
        public readonly string $what,
        public readonly string $title,
        public readonly Point $low,
        public readonly Point $high,
    ) {
    }

    /** @return list<Line|Arc|Label> */
    public function items(): array
    {
        return $this->items;
    }

    public function width(): float
    {
        return $this->high->x - $this->low->x;
    }

    public function height(): float
    {
        return $this->high->y - $this->low->y;
    }

    public function line(Layer $layer, float $x1, float $y1, float $x2, float $y2, bool $dashed = false): void
    {
        $this->items[] = new Line($layer, new Point($x1, $y1), new Point($x2, $y2), $dashed);
    }

    public function circle(Layer $layer, Point $centre, float $diameter, bool $dashed = false): void
    {
        $this->items[] = new Arc($layer, $centre, $diameter / 2, dashed: $dashed);
    }

    /** A cross of CROSS_MM at a centre. */
    public function cross(Layer $layer, Point $at): void
    {
        $half = self::CROSS_MM / 2;
        $this->line($layer, $at->x - $half, $at->y, $at->x + $half, $at->y);
        $this->line($layer, $at->x, $at->y - $half, $at->x, $at->y + $half);
    }

    public function label(Point $at, string $text, float $height = 3.5): void
    {
        $this->items[] = new Label($at, $text, $height);
    }

    /** A circle, or a rectangle whose corners are arcs. */
    public function section(Layer $layer, CrossSection $section, Point $middle = new Point(0.0, 0.0), bool $dashed = false): void
    {
        if ($section->round) {
            $this->circle($layer, $middle, $section->length, $dashed);

            return;
        }
        $r = min($section->cornerRadius, $section->length / 2, $section->width / 2);
        [$x, $y] = [$section->length / 2, $section->width / 2];
        [$cx, $cy] = [$x - $r, $y - $r];
        $sides = [[-$cx, -$y, $cx, -$y], [$x, -$cy, $x, $cy], [$cx, $y, -$cx, $y], [-$x, $cy, -$x, -$cy]];
        foreach ($sides as [$x1, $y1, $x2, $y2]) {
            if (hypot($x2 - $x1, $y2 - $y1) > 1.0e-9) {
                $this->line($layer, $middle->x + $x1, $middle->y + $y1, $middle->x + $x2, $middle->y + $y2, $dashed);
            }
        }
        foreach ($r > 0.0 ? [[$cx, $cy, 0], [-$cx, $cy, 90], [-$cx, -$cy, 180], [$cx, -$cy, 270]] : [] as [$ax, $ay, $from]) {
            $this->items[] = new Arc(
                $layer,
                new Point($middle->x + $ax, $middle->y + $ay),
                $r,
                (float) $from,
                (float) $from + 90.0,
                $dashed,
            );
        }
    }
}
