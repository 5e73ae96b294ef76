<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/**
 * Makes a spread exact: the distances that are least are made equal to the last digit, with the holes at the edge kept on it.
 *
 * The unknowns are the holes' coordinates and their common distance t; the equations are distance − t = 0 for every touching pair and
 * clearance = 0 for every hole on the edge. Gauss–Newton steps of least length solve them; holes that touch nothing stay where they are.
 */
final readonly class SpreadRefinement
{
    /** Pairs this near to the least distance are taken to touch, as a share of it; tried from the widest. */
    private const TOUCH = [0.006, 0.0015];

    private const STEPS = 7;

    public function __construct(private LayoutSpace $space)
    {
    }

    /**
     * @param  list<Point>  $points
     * @return list<Point> with a least distance that is no smaller
     */
    public function refine(array $points): array
    {
        $best = $points;
        $widest = Arrangement::leastDistance($points) ?? INF;
        foreach (self::TOUCH as $touch) {
            $solved = $this->solve($best, $touch);
            $distance = Arrangement::leastDistance($solved) ?? 0.0;
            if ($distance > $widest && $this->areInside($solved)) {
                [$best, $widest] = [$solved, $distance];
            }
        }

        return $best;
    }

    /**
     * @param  list<Point>  $points
     * @return list<Point>
     */
    private function solve(array $points, float $touch): array
    {
        $count = count($points);
        $least = Arrangement::leastDistance($points) ?? 0.0;
        $pairs = $edges = [];
        for ($i = 0; $i < $count; $i++) {
            for ($j = 0; $j < $i; $j++) {
                if ($points[$i]->distanceTo($points[$j]) < $least * (1 + $touch)) {
                    $pairs[] = [$i, $j];
                }
            }
            foreach ($this->space->edges($points[$i]->x, $points[$i]->y) as [$box, $clearance]) {
                if ($clearance < $least * $touch) {
                    $edges[] = [$i, $box];
                }
            }
        }
        $x = array_map(static fn (Point $p): float => $p->x, $points);
        $y = array_map(static fn (Point $p): float => $p->y, $points);
        $t = $least;
        for ($step = 0; $step < self::STEPS; $step++) {
            [$rows, $residuals] = $this->equations($pairs, $edges, $x, $y, $t);
            $lambda = $rows === [] ? null : self::leastLength($rows, $residuals);
            if ($lambda === null) {
                break;
            }
            $largest = 0.0;
            foreach ($rows as $r => $row) {
                foreach ($row as $column => $value) {
                    $move = -$lambda[$r] * $value;
                    $largest = max($largest, abs($move));
                    if ($column === 2 * $count) {
                        $t += $move;
                    } elseif ($column % 2 === 0) {
                        $x[intdiv($column, 2)] += $move;
                    } else {
                        $y[intdiv($column, 2)] += $move;
                    }
                }
            }
            if ($largest < 1.0e-11 * $least) {
                break;
            }
        }

        return array_map(static fn (float $px, float $py): Point => new Point($px, $py), $x, $y);
    }

    /**
     * The linear equations at a state: coefficients by column (x and y of each hole, then t), and what is left of each.
     *
     * @param  list<array{int, int}>  $pairs
     * @param  list<array{int, int}>  $edges
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @return array{list<array<int, float>>, list<float>}
     */
    private function equations(array $pairs, array $edges, array $x, array $y, float $t): array
    {
        $rows = $residuals = [];
        $last = 2 * count($x);
        foreach ($pairs as [$i, $j]) {
            [$dx, $dy] = [$x[$i] - $x[$j], $y[$i] - $y[$j]];
            $d = hypot($dx, $dy);
            $rows[] = [2 * $i => $dx / $d, 2 * $i + 1 => $dy / $d, 2 * $j => -$dx / $d, 2 * $j + 1 => -$dy / $d, $last => -1.0];
            $residuals[] = $d - $t;
        }
        foreach ($edges as [$i, $box]) {
            [$clearance, $nx, $ny] = $this->space->edgePiece($box, $x[$i], $y[$i]);
            $rows[] = [2 * $i => $nx, 2 * $i + 1 => $ny];
            $residuals[] = $clearance;
        }

        return [$rows, $residuals];
    }

    /**
     * Multipliers of the shortest step that solves the rows: (A·Aᵀ)·λ = r by Cholesky, with a trace of damping for equations that repeat.
     *
     * @param  non-empty-list<array<int, float>>  $rows
     * @param  list<float>  $residuals
     * @return list<float>|null
     */
    private static function leastLength(array $rows, array $residuals): ?array
    {
        $n = count($rows);
        $lower = [];
        for ($i = 0; $i < $n; $i++) {
            $lower[$i] = array_fill(0, $i + 1, 0.0);
            for ($j = 0; $j <= $i; $j++) {
                $sum = $i === $j ? 1.0e-10 : 0.0;
                foreach ($rows[$j] as $column => $value) {
                    if (isset($rows[$i][$column])) {
                        $sum += $rows[$i][$column] * $value;
                    }
                }
                [$li, $lj] = [$lower[$i], $lower[$j]];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $li[$k] * $lj[$k];
                }
                if ($i === $j) {
                    if ($sum <= 0.0) {
                        return null;
                    }
                    $lower[$i][$i] = sqrt($sum);
                } else {
                    $lower[$i][$j] = $sum / $lj[$j];
                }
            }
        }
        $solution = $residuals;
        for ($i = 0; $i < $n; $i++) {
            for ($k = 0; $k < $i; $k++) {
                $solution[$i] -= $lower[$i][$k] * $solution[$k];
            }
            $solution[$i] /= $lower[$i][$i];
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($k = $i + 1; $k < $n; $k++) {
                $solution[$i] -= $lower[$k][$i] * $solution[$k];
            }
            $solution[$i] /= $lower[$i][$i];
        }

        return array_values($solution);
    }

    /** @param  list<Point>  $points */
    private function areInside(array $points): bool
    {
        foreach ($points as $p) {
            foreach ($this->space->edges($p->x, $p->y) as [, $clearance]) {
                if ($clearance < -1.0e-7) {
                    return false;
                }
            }
        }

        return true;
    }
}
