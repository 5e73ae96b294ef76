<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/**
 * A square or triangular lattice laid over a lid with keep-outs, shifted to where most of its places are open; the others stay uncut.
 *
 * Found at once: it stands in for a spread that is not known yet, gives it something to begin from, and serves where a spread would take
 * too many holes.
 */
final readonly class LatticePattern
{
    /** Shifts tried each way, over one step of the lattice. */
    private const SHIFTS = 5;

    /** Halvings towards the widest lattice that still has enough open places. */
    private const HALVINGS = 9;

    public function __construct(private LayoutSpace $space)
    {
    }

    /** The most open places at least so far apart, up to a cap. */
    public function most(float $leastDistance, int $cap): int
    {
        return count($this->fullest($leastDistance, $cap));
    }

    /** So many places as far apart as lattices have them, or null when none has so many at least so far apart. */
    public function arrange(int $count, float $leastDistance): ?Arrangement
    {
        $best = $this->fullest($leastDistance, $count);
        if (count($best) < $count) {
            return null;
        }
        [$low, $high] = [$leastDistance, max($leastDistance, $count < 2 ? $leastDistance : $this->space->mostDistance($count))];
        for ($halving = 0; $halving < self::HALVINGS; $halving++) {
            $middle = ($low + $high) / 2;
            $found = $this->fullest($middle, $count);
            if (count($found) === $count) {
                [$best, $low] = [$found, $middle];
            } else {
                $high = $middle;
            }
        }

        return Arrangement::of(PatternKind::Spread, $best);
    }

    /** @return list<Point> of the lattice with the most open places, up to so many */
    private function fullest(float $step, int $cap): array
    {
        [$wide, $deep] = [max(0.0, $this->space->reachX(0.0)), max(0.0, $this->space->reachY(0.0))];
        $fullest = [];
        foreach ([[$step, 0.0, false], [$step * sqrt(3) / 2, 0.5, false], [$step * sqrt(3) / 2, 0.5, true]] as [$rise, $shift, $across]) {
            [$along, $up] = $across ? [$deep, $wide] : [$wide, $deep];
            for ($i = 0; $i < self::SHIFTS; $i++) {
                for ($j = 0; $j < self::SHIFTS; $j++) {
                    $points = [];
                    for ($row = 0; -$up + ($i / self::SHIFTS + $row) * $rise <= $up; $row++) {
                        $v = -$up + ($i / self::SHIFTS + $row) * $rise;
                        for ($u = -$along + fmod($j / self::SHIFTS + $row * $shift, 1.0) * $step; $u <= $along; $u += $step) {
                            [$x, $y] = $across ? [$v, $u] : [$u, $v];
                            if ($this->space->places->isOpen($x, $y)) {
                                $points[] = new Point($x, $y);
                                if (count($points) === $cap) {
                                    return $points;
                                }
                            }
                        }
                    }
                    $fullest = count($points) > count($fullest) ? $points : $fullest;
                }
            }
        }

        return $fullest;
    }
}
