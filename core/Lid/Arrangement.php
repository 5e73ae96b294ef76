<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/** Hole centres laid out by a pattern, with the least distance between any two (null for one hole), in mm. */
final readonly class Arrangement
{
    /** @param  list<Point>  $points */
    private function __construct(
        public PatternKind $pattern,
        public array $points,
        public ?float $holeDistance,
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
        foreach ($points as $i => $p) {
            for ($j = 0; $j < $i; $j++) {
                $square = ($p->x - $points[$j]->x) ** 2 + ($p->y - $points[$j]->y) ** 2;
                if ($square < $least) {
                    [$least, $nearest] = [$square, [$p, $points[$j]]];
                }
            }
        }

        return $nearest === null ? null : $nearest[0]->distanceTo($nearest[1]);
    }

    /**
     * The least of a figure over all pairs of holes, from their distance and their numbers; null for fewer than two.
     *
     * @param  callable(float, int, int): float  $figure
     */
    public function least(callable $figure): ?float
    {
        $least = null;
        foreach ($this->points as $i => $p) {
            for ($j = 0; $j < $i; $j++) {
                $of = $figure($p->distanceTo($this->points[$j]), $i, $j);
                $least = $least === null ? $of : min($least, $of);
            }
        }

        return $least;
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
