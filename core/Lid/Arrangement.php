<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/** Hole centres laid out by a pattern, with the least distance between any two (null for one hole), in mm. */
final class Arrangement
{
    /** @var array<array-key, list<array{float, int, int}>> pairs that were asked for, by how far apart */
    private array $pairs = [];

    /** @param  list<Point>  $points */
    private function __construct(
        public readonly PatternKind $pattern,
        public readonly array $points,
        public readonly ?float $holeDistance,
    ) {
    }

    /** @param  list<Point>  $points */
    public static function of(PatternKind $pattern, array $points): self
    {
        return new self($pattern, $points, self::leastDistance($points));
    }

    /** @param  list<Point>  $points */
    public static function leastDistance(array $points): ?float
    {
        $least = INF;
        $nearest = null;
        $inOrder = $points;
        usort($inOrder, static fn (Point $a, Point $b): int => $a->x <=> $b->x);
        foreach ($inOrder as $i => $p) {
            // Only those beside it can be nearer than the nearest so far.
            for ($j = $i - 1; $j >= 0 && ($p->x - $inOrder[$j]->x) ** 2 < $least; $j--) {
                $square = ($p->x - $inOrder[$j]->x) ** 2 + ($p->y - $inOrder[$j]->y) ** 2;
                if ($square < $least) {
                    [$least, $nearest] = [$square, [$p, $inOrder[$j]]];
                }
            }
        }

        return $nearest === null ? null : $nearest[0]->distanceTo($nearest[1]);
    }

    /**
     * Pairs of holes at most so far apart, the later one first.
     *
     * @return list<array{float, int, int}> distance, and the numbers of both
     */
    public function pairs(float $within): array
    {
        return $this->pairs[(string) $within] ??= $this->pairsWithin($within);
    }

    /** @return list<array{float, int, int}> */
    private function pairsWithin(float $within): array
    {
        $pairs = [];
        $order = array_keys($this->points);
        usort($order, fn (int $a, int $b): int => $this->points[$a]->x <=> $this->points[$b]->x);
        foreach ($order as $n => $i) {
            $p = $this->points[$i];
            for ($m = $n - 1; $m >= 0 && $p->x - ($q = $this->points[$order[$m]])->x <= $within; $m--) {
                // Most of those beside it lie too far before or behind it.
                if (abs($p->y - $q->y) <= $within && ($distance = $p->distanceTo($q)) <= $within) {
                    $pairs[] = [$distance, max($i, $order[$m]), min($i, $order[$m])];
                }
            }
        }

        return $pairs;
    }

    /** Holes that lie within this share of the least distance of each other, back to front, are a row. */
    private const ROW_SHARE = 0.35;

    /** The same holes numbered as they are marked out: row by row from the back, left to right. */
    public function inRows(): self
    {
        $points = $this->points;
        usort($points, static fn (Point $a, Point $b): int => [$b->y, $a->x] <=> [$a->y, $b->x]);
        $rows = [];
        $back = INF;
        foreach ($points as $point) {
            if ($point->y < $back - self::ROW_SHARE * ($this->holeDistance ?? 0.0)) {
                $rows[] = [];
                $back = $point->y;
            }
            $rows[count($rows) - 1][] = $point;
        }
        foreach ($rows as &$row) {
            usort($row, static fn (Point $a, Point $b): int => $a->x <=> $b->x);
        }

        return new self($this->pattern, array_merge(...$rows), $this->holeDistance);
    }

    /** All of it as text, to be kept: the pattern's name, then x and y of each hole as doubles. */
    public function packed(): string
    {
        return "{$this->pattern->value}:".pack(
            'e*',
            ...array_merge(...array_map(static fn (Point $p): array => [$p->x, $p->y], $this->points)),
        );
    }

    /** What packed() made, to the last digit. */
    public static function unpacked(string $packed): self
    {
        [$pattern, $numbers] = explode(':', $packed, 2);

        return self::of(
            PatternKind::from($pattern),
            array_map(static fn (array $p): Point => new Point($p[0], $p[1]), array_chunk(array_values(unpack('e*', $numbers) ?: []), 2)),
        );
    }

    public function count(): int
    {
        return count($this->points);
    }

    /** Its first places only. */
    public function first(int $count): self
    {
        return self::of($this->pattern, array_slice($this->points, 0, $count));
    }
}
