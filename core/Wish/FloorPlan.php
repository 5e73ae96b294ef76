<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use stdClass;

/**
 * Where tubs stand on the floor that there is, in one row along its front or in two. A second row stands behind tubs that an arm reaches
 * over. Each tub may be turned. Lengths in mm, from the left and from the front.
 */
final readonly class FloorPlan
{
    /** † between two tubs, and for the lids that stand over, mm. */
    public const GAP_MM = 20.0;

    /** † an arm reaches over a row so deep, mm. */
    public const REACH_MM = 600.0;

    /** @param  list<stdClass>  $stands  each with its `tub`, `copy`, `x_mm`, `y_mm`, `length_mm`, `depth_mm` */
    private function __construct(public array $stands, public float $length, public float $depth)
    {
    }

    /**
     * As near to the front as it goes: one row with the long sides along, one with the short sides along, then two rows.
     *
     * @param  list<array{string, int, float, float}>  $tubs  id, how many alike, its longer side and its shorter one
     * @return self|null null where they do not fit in any of these ways
     */
    public static function of(array $tubs, float $length, float $depth): ?self
    {
        foreach (self::ways($tubs) as $plan) {
            if ($plan->length <= $length && $plan->depth <= $depth) {
                return $plan;
            }
        }

        return null;
    }

    /**
     * Every way that is looked at, whatever room there is.
     *
     * @param  list<array{string, int, float, float}>  $tubs
     * @return list<self>
     */
    public static function ways(array $tubs): array
    {
        $all = [];
        foreach ($tubs as [$id, $count, $long, $short]) {
            for ($copy = 1; $copy <= $count; $copy++) {
                $all[] = [$id, $copy, $long, $short];
            }
        }
        // Deep ones stand behind.
        $byDepth = $all;
        usort($byDepth, static fn (array $a, array $b): int => [$a[3], $a[2]] <=> [$b[3], $b[2]]);
        $ways = [];
        foreach ([false, true] as $turned) {
            $ways[] = self::rows([$all], $turned);
        }
        foreach ([false, true] as $turned) {
            for ($front = 1; $front < count($byDepth); $front++) {
                $plan = self::rows([array_slice($byDepth, 0, $front), array_slice($byDepth, $front)], $turned);
                if ($plan->reached() <= self::REACH_MM) {
                    $ways[] = $plan;
                }
            }
        }

        return $ways;
    }

    /** How deep the front row is, where there is one behind it. */
    private function reached(): float
    {
        $behind = array_filter($this->stands, static fn (stdClass $s): bool => $s->y_mm > 0.0);

        return $behind === [] ? 0.0 : min(array_map(static fn (stdClass $s): float => $s->y_mm, $behind));
    }

    /** @param  list<list<array{string, int, float, float}>>  $rows */
    private static function rows(array $rows, bool $turned): self
    {
        $stands = [];
        $most = $y = 0.0;
        foreach ($rows as $row) {
            $x = $deepest = 0.0;
            foreach ($row as [$id, $copy, $long, $short]) {
                [$wide, $deep] = $turned ? [$short, $long] : [$long, $short];
                $stands[] = (object) [
                    'tub' => $id,
                    'copy' => $copy,
                    'x_mm' => $x,
                    'y_mm' => $y,
                    'length_mm' => $wide,
                    'depth_mm' => $deep,
                ];
                $x += $wide + self::GAP_MM;
                $deepest = max($deepest, $deep);
            }
            $most = max($most, $x - self::GAP_MM);
            $y += $deepest + self::GAP_MM;
        }

        return new self($stands, $most, max(0.0, $y - self::GAP_MM));
    }
}
