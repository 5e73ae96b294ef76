<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Geometry\Point;

/**
 * The stones of one tub: so many alike with their tops at a height above the inside floor in mm, and others of other kinds beside them at
 * the end of the same tube.
 */
final readonly class StoneSet
{
    /**
     * @param  list<self>  $others  of other kinds or at other heights, each without others of its own
     * @param  list<Point>|null  $placed  where they lie by hand
     */
    public function __construct(
        public Stone $stone,
        public int $count,
        public float $height,
        public array $others = [],
        private ?array $placed = null,
    ) {
    }

    /** @return list<Point>|null where they all lie by hand; null where the planner lays them: by hand there was another number of them */
    public function byHand(): ?array
    {
        return $this->placed !== null && count($this->placed) === $this->inAll() ? $this->placed : null;
    }

    /** @return non-empty-list<self> these and the others */
    public function sets(): array
    {
        return [$this, ...$this->others];
    }

    /** All stones of the tub. */
    public function inAll(): int
    {
        return array_sum(array_map(static fn (self $set): int => $set->count, $this->sets()));
    }

    /** The top of the highest stone, mm. */
    public function highest(): float
    {
        return max(array_map(static fn (self $set): float => $set->height, $this->sets()));
    }

    /** The longest stone, mm. */
    public function longest(): float
    {
        return max(array_map(static fn (self $set): float => $set->stone->length, $this->sets()));
    }
}
