<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/**
 * Where a hole may go on a lid with keep-outs. Lengths in mm.
 *
 * A raster over the space settles most places at once: all of a cell is open, all of it is closed, or places in it are looked at one by
 * one. No distance changes faster than the place it is measured from, so the middle of a cell speaks for all of it.
 */
final class OpenPlaces
{
    /** Cells along the longer side. */
    private const CELLS = 72;

    /** Times that a place is brought back over the edge and off the keep-outs before the nearest open cell is taken. */
    private const PUSHES = 4;

    /** A clear place is that near to the nearest one to the middle, mm, before it is drawn in as far as it goes. */
    private const NEAR_MM = 0.25;

    /** Cells looked at for it; more are needed only where many keep-outs crowd the middle. */
    private const MOST_LOOKS = 20_000;

    private const OPEN = 1;

    private const CLOSED = 0;

    private const MIXED = 2;

    /** Only the edge of the space runs through it. */
    private const AT_EDGE = 3;

    private readonly float $cell;

    private readonly int $columns;

    private readonly int $rows;

    private readonly float $left;

    private readonly float $front;

    /** @var array<int, int>|null row by row; laid when first looked at */
    private ?array $cells = null;

    /** @var array<int, list<KeepOut>> what reaches into a cell, where anything does */
    private array $near = [];

    /** @var array<int, array{float, float}>|null an open place near each cell, found when first asked for; empty where there is none */
    private ?array $refuges = null;

    public function __construct(private readonly LayoutSpace $space)
    {
        $wide = max(0.0, $space->reachX(0.0));
        $deep = max(0.0, $space->reachY(0.0));
        $this->cell = max(1.0e-3, 2 * max($wide, $deep) / self::CELLS);
        $this->columns = max(1, (int) ceil(2 * $wide / $this->cell));
        $this->rows = max(1, (int) ceil(2 * $deep / $this->cell));
        [$this->left, $this->front] = [-$this->columns * $this->cell / 2, -$this->rows * $this->cell / 2];
    }

    /** @return array<int, int> */
    private function cells(): array
    {
        if ($this->cells !== null) {
            return $this->cells;
        }
        $half = $this->cell * M_SQRT1_2;
        $cells = [];
        for ($row = 0; $row < $this->rows; $row++) {
            for ($column = 0; $column < $this->columns; $column++) {
                $state = self::state($this->space->inside(...$this->middle($column, $row)), $half);
                $cells[] = $state === self::MIXED ? self::AT_EDGE : $state;
            }
        }
        foreach ($this->space->obstacles as $obstacle) {
            $this->close($cells, $obstacle, $half);
        }

        return $this->cells = $cells;
    }

    /** Whether a hole may go there. */
    public function isOpen(float $x, float $y): bool
    {
        $cells = $this->cells ?? $this->cells();
        $at = $this->cellAt($x, $y);
        $state = $cells[$at];

        return $state === self::OPEN || ($state !== self::CLOSED && $this->space->isOpen($x, $y, $this->near[$at] ?? []));
    }

    /** Whether no keep-out is anywhere near a place inside the space; at once. */
    public function isFree(float $x, float $y): bool
    {
        $cells = $this->cells ?? $this->cells();
        $state = $cells[$this->cellAt($x, $y)];

        return $state === self::OPEN || $state === self::AT_EDGE;
    }

    /** The cell of a place, or of the nearest in the space. */
    private function cellAt(float $x, float $y): int
    {
        $column = (int) (($x - $this->left) / $this->cell);
        $row = (int) (($y - $this->front) / $this->cell);
        $column = $column < 0 ? 0 : ($column >= $this->columns ? $this->columns - 1 : $column);
        $row = $row < 0 ? 0 : ($row >= $this->rows ? $this->rows - 1 : $row);

        return $row * $this->columns + $column;
    }

    /**
     * An open place near to one that may not be: straight over the edge and off keep-outs, or in the nearest cell that has one.
     *
     * @return array{float, float}|null null where there is none at all
     */
    public function nearest(float $x, float $y): ?array
    {
        if ($this->isOpen($x, $y)) {
            return [$x, $y];
        }
        $pushed = $this->pushed($x, $y);
        if ($pushed !== null) {
            return $pushed;
        }
        $this->refuges ??= $this->findRefuges();
        if ($this->refuges === []) {
            return null;
        }

        return $this->refuges[$this->cellAt($x, $y)];
    }

    /**
     * The open place nearest to the middle, or null where there is none.
     *
     * Cells are halved, the nearest first, until none is left that could hold a nearer place; what is found is then drawn in.
     */
    public function nearestToMiddle(): ?Point
    {
        $wide = $this->space->reachX(0.0);
        $deep = $this->space->reachY(0.0);
        if ($wide < 0.0 || $deep < 0.0) {
            return null;
        }
        $best = $this->space->isOpen(0.0, 0.0) ? new Point(0.0, 0.0) : null;
        $least = $best === null ? INF : 0.0;
        $size = max($wide, $deep, self::NEAR_MM);
        $queue = new \SplPriorityQueue;
        $queue->setExtractFlags(\SplPriorityQueue::EXTR_DATA);
        $queue->insert([0.0, 0.0, $size, $this->space->obstacles], 0.0);
        for ($looks = 0; $looks < self::MOST_LOOKS && ! $queue->isEmpty(); $looks++) {
            [$x, $y, $size, $obstacles] = $queue->extract();
            if (self::fromMiddle($x, $y, $size) >= $least - self::NEAR_MM) {
                break;
            }
            $reach = $size * M_SQRT2;
            $room = $this->space->inside($x, $y);
            $near = [];
            foreach ($obstacles as $obstacle) {
                $distance = $obstacle->distanceTo($x, $y);
                $room = min($room, $distance);
                if ($distance < $reach) {
                    $near[] = $obstacle;
                }
            }
            if ($room < -$reach) {
                continue;
            }
            if ($room >= 0.0 && $this->space->isOpen($x, $y)) {
                $drawn = $this->drawnIn(new Point($x, $y));
                if (hypot($drawn->x, $drawn->y) < $least) {
                    [$best, $least] = [$drawn, hypot($drawn->x, $drawn->y)];
                }
            }
            $size /= 2;
            foreach ([[-1, -1], [-1, 1], [1, -1], [1, 1]] as [$sx, $sy]) {
                $queue->insert(
                    [$x + $sx * $size, $y + $sy * $size, $size, $near],
                    -self::fromMiddle($x + $sx * $size, $y + $sy * $size, $size),
                );
            }
        }

        return $best;
    }

    /** The least distance from the middle of any place in a square about x, y with half its side. */
    private static function fromMiddle(float $x, float $y, float $half): float
    {
        return hypot(max(0.0, abs($x) - $half), max(0.0, abs($y) - $half));
    }

    /** An open place moved straight to the middle and along what is in its way, as far as places stay open. */
    private function drawnIn(Point $open): Point
    {
        for ($step = hypot($open->x, $open->y); $step > 1.0e-7; $step /= 2) {
            $far = hypot($open->x, $open->y);
            if ($far <= 1.0e-9) {
                break;
            }
            $share = max(0.0, 1 - $step / $far);
            $moved = $this->pushed($open->x * $share, $open->y * $share);
            if ($moved !== null && hypot(...$moved) < $far) {
                $open = new Point(...$moved);
            }
        }

        return $open;
    }

    /** @return array{float, float}|null an open place straight over the edge and off the keep-outs, where that leads to one */
    private function pushed(float $x, float $y): ?array
    {
        $this->cells();
        for ($push = 0; $push < self::PUSHES; $push++) {
            [$x, $y] = $this->space->nearest($x, $y, $this->near[$this->cellAt($x, $y)] ?? []);
            if ($this->isOpen($x, $y)) {
                return [$x, $y];
            }
        }

        return null;
    }

    /** @param  array<int, int>  $cells */
    private function close(array &$cells, KeepOut $obstacle, float $half): void
    {
        [$halfX, $halfY] = [$obstacle->section->length / 2 + $half, $obstacle->section->width / 2 + $half];
        $fromColumn = max(0, (int) floor(($obstacle->x - $halfX - $this->left) / $this->cell));
        $toColumn = min($this->columns - 1, (int) floor(($obstacle->x + $halfX - $this->left) / $this->cell));
        $fromRow = max(0, (int) floor(($obstacle->y - $halfY - $this->front) / $this->cell));
        $toRow = min($this->rows - 1, (int) floor(($obstacle->y + $halfY - $this->front) / $this->cell));
        for ($row = $fromRow; $row <= $toRow; $row++) {
            for ($column = $fromColumn; $column <= $toColumn; $column++) {
                $at = $row * $this->columns + $column;
                if ($cells[$at] !== self::CLOSED) {
                    $state = self::state($obstacle->distanceTo(...$this->middle($column, $row)), $half);
                    if ($state !== self::OPEN) {
                        $cells[$at] = $state;
                        $this->near[$at][] = $obstacle;
                    }
                }
            }
        }
    }

    private static function state(float $room, float $half): int
    {
        return match (true) {
            $room >= $half => self::OPEN,
            $room < -$half => self::CLOSED,
            default => self::MIXED,
        };
    }

    /** @return array{float, float} */
    private function middle(int $column, int $row): array
    {
        return [$this->left + ($column + 0.5) * $this->cell, $this->front + ($row + 0.5) * $this->cell];
    }

    /**
     * From the cells with an open place the others take theirs, ring by ring.
     *
     * @return array<int, array{float, float}>
     */
    private function findRefuges(): array
    {
        $found = [];
        $ring = [];
        $cells = $this->cells();
        for ($at = 0, $all = count($cells); $at < $all; $at++) {
            $middle = $this->middle($at % $this->columns, intdiv($at, $this->columns));
            $place = match ($cells[$at]) {
                self::OPEN => $middle,
                self::MIXED, self::AT_EDGE => $this->pushed(...$middle),
                default => null,
            };
            if ($place !== null) {
                $found[$at] = $place;
                $ring[] = $at;
            }
        }
        if ($found === []) {
            $middle = $this->nearestToMiddle();

            return $middle === null ? [] : array_fill(0, count($cells), [$middle->x, $middle->y]);
        }
        while ($ring !== []) {
            $next = [];
            foreach ($ring as $at) {
                [$column, $row] = [$at % $this->columns, intdiv($at, $this->columns)];
                foreach ([[$column - 1, $row], [$column + 1, $row], [$column, $row - 1], [$column, $row + 1]] as [$c, $r]) {
                    $beside = $r * $this->columns + $c;
                    if ($c >= 0 && $r >= 0 && $c < $this->columns && $r < $this->rows && ! isset($found[$beside])) {
                        $found[$beside] = $found[$at];
                        $next[] = $beside;
                    }
                }
            }
            $ring = $next;
        }

        return $found;
    }
}
