<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\Line;
use KelpTub\Core\Air\Network;
use KelpTub\Core\Air\Outflow;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Marks\Tub\TubeHole;
use KelpTub\Core\Marks\Tub\TubPlan;

/** One pump's network solved: for each branch its tube, the air that flows into one tub, and how it reaches the stones. */
final readonly class AirPlan
{
    /**
     * @param  list<TubPlan>  $tubs  of each branch
     * @param  list<TubeRoute>  $routes  of each branch, for one tub
     * @param  list<Line|null>  $lines  of each branch; null where the tub has no stone
     * @param  list<float>  $flows  into one tub of each branch, L/min
     */
    public function __construct(
        public AirSystem $system,
        public array $tubs,
        public array $routes,
        public array $lines,
        public array $flows,
        public Network $network,
    ) {
    }

    /** All tubing of this pump in mm: trunk, and every line once for each tub alike. */
    public function tubing(): float
    {
        $length = $this->system->trunk;
        foreach ($this->routes as $i => $route) {
            $length += $route->length() * $this->tubs[$i]->tub->count;
        }

        return $length;
    }

    /** Lines that leave the splitter. */
    public function lineCount(): int
    {
        return array_sum(array_map(static fn (TubPlan $p): int => $p->tub->count, $this->tubs));
    }

    /**
     * Air to each stone of a branch's tub, L/min, set by set; none where it has no stones.
     *
     * @return list<float>
     */
    public function perStone(int $branch): array
    {
        $line = $this->lines[$branch];

        return $line === null ? [] : array_map(
            static fn (float $flow, Outflow $of): float => $flow / $of->set->count,
            $line->dealt($this->flows[$branch]),
            $line->outflows,
        );
    }

    /** Whether a hole is drilled for one of its lines. */
    public function isDrilled(): bool
    {
        return array_filter($this->tubs, static fn (TubPlan $p): bool => $p->tubeHole() === TubeHole::Drilled) !== [];
    }

    /** Whether the pump stands over the highest water of every tub on it, as said or as measured; one housed under its tub never does. */
    public function isAboveWater(): bool
    {
        if (array_filter($this->tubs, static fn (TubPlan $p): bool => $p->tub->body->under !== null) !== []) {
            return false;
        }
        if ($this->system->aboveWater) {
            return true;
        }

        return $this->tubs !== [] && $this->system->height > max(
            array_map(static fn (TubPlan $p): float => $p->highestWater(), $this->tubs),
        );
    }
}
