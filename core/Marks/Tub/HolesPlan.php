<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\CupInHole;

/** The holes as they are laid out. Lengths in mm. */
final readonly class HolesPlan
{
    private const ROUNDING = 1.0e-12;

    /**
     * @param  list<int>  $cupAt  which of the sizes each hole has
     * @param  int  $asked  cups asked for, or laid out where as many as possible were wanted
     * @param  bool  $complete  false where a place of the pattern stays uncut
     * @param  bool  $pending  a layout that takes longer to find may take this one's place
     */
    public function __construct(
        private Cutting $cutting,
        public Arrangement $arrangement,
        public array $cupAt,
        public int $asked,
        public bool $complete,
        public bool $pending,
    ) {
    }

    public function count(): int
    {
        return $this->arrangement->count();
    }

    /** Cups of one of the sizes. */
    public function cupsOf(int $size): int
    {
        return count(array_keys($this->cupAt, $size, true));
    }

    /** Least distance of a hole's edge to the lid's outline; null in a jar's mouth or without holes. */
    public function edge(): ?float
    {
        return $this->cutting->inMouth || $this->count() === 0 ? null : min(
            INF,
            ...array_map($this->cutting->space->edge(...), $this->arrangement->points, $this->cupAt),
        );
    }

    /** Least width of lid between two holes. */
    public function web(): ?float
    {
        return $this->leastPair($this->cutting->space->web(...))?->figure;
    }

    /**
     * The pair of holes at which a figure of their distance and their cups is least; null for fewer than two. One that grows with the
     * distance, by no more than holes and lips differ: pairs much farther apart than the nearest are not looked at.
     *
     * @param  callable(float, int, int): float  $figure
     */
    public function leastPair(callable $figure): ?HolePair
    {
        $nearest = $this->arrangement->holeDistance;
        if ($nearest === null) {
            return null;
        }
        $cups = $this->cutting->space->cups;
        $holes = array_map(static fn (CupInHole $c): float => $c->hole, $cups);
        $lips = array_map(static fn (CupInHole $c): float => $c->cup->lip, $cups);
        $reach = $nearest * max($holes) / min($holes) + max(max($holes) - min($holes), max($lips) - min($lips));
        $least = null;
        foreach ($this->arrangement->pairs($reach * (1 + self::ROUNDING)) as [$distance, $i, $j]) {
            $of = $figure($distance, $this->cupAt[$i], $this->cupAt[$j]);
            if ($least === null || $of < $least->figure || ($of === $least->figure && [$i, $j] < [$least->hole, $least->other])) {
                $least = new HolePair($of, $distance, $i, $j);
            }
        }

        return $least;
    }

    /** What is cut out, mm². */
    public function area(): float
    {
        return array_sum(array_map(fn (int $size): float => M_PI * $this->cutting->sizes[$size]->seat->hole ** 2 / 4, $this->cupAt));
    }

    /** Per cent of the lid's area that is cut away; null in a jar's mouth. */
    public function removedPercent(): ?float
    {
        return $this->cutting->inMouth ? null : 100 * $this->area() / $this->cutting->lid->outline->area();
    }

    /** Whether the only cup hangs in the middle, where a ring of lid carries it. */
    public function isOneInTheMiddle(): bool
    {
        $points = $this->arrangement->points;

        return count($points) === 1 && hypot($points[0]->x, $points[0]->y) < 1.0e-6;
    }
}
