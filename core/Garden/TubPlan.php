<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\WaterUse;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Point;
use KelpTub\Core\Vessel\Reservoir;
use KelpTub\Core\Vessel\Weight;

/** All that follows from one tub by itself: its hole, its lid, its water, its plants. Lengths in mm, volumes in litres. */
final readonly class TubPlan
{
    /**
     * @param  bool  $inMouth  the cup hangs in a jar's mouth: no saw, no lid
     * @param  string|null  $saw  the saw by its name; null where none cuts this hole
     * @param  int  $asked  cups asked for, or laid out where as many as possible were wanted
     * @param  bool  $complete  false where a place of the pattern stays uncut
     * @param  list<Point>  $stones  on the floor, under the plants
     */
    public function __construct(
        public Tub $tub,
        public bool $inMouth,
        public ?string $saw,
        public bool $sawOwned,
        public Seat $seat,
        public WaterLine $line,
        public LayoutSpace $space,
        public LayoutSolver $solver,
        public Arrangement $arrangement,
        public int $asked,
        public bool $complete,
        public Capacity $capacity,
        public int $plants,
        public float $climate,
        public Reservoir $reservoir,
        public float $lowest,
        public ?WaterUse $use,
        public float $pebbles,
        public Weight $weight,
        public array $stones,
        public float $tubeEntry,
    ) {
    }

    public function cups(): int
    {
        return $this->arrangement->count();
    }

    public function working(): float
    {
        return $this->reservoir->litresAt($this->line->grown);
    }

    public function usable(): float
    {
        return max(0.0, $this->working() - $this->reservoir->litresAt($this->lowest));
    }

    /** Least distance of a hole's edge to the lid's outline; null in a jar's mouth or without holes. */
    public function edge(): ?float
    {
        return $this->inMouth || $this->cups() === 0 ? null : min(INF, ...array_map($this->space->edge(...), $this->arrangement->points));
    }

    public function web(): ?float
    {
        return $this->arrangement->spacing === null ? null : $this->arrangement->spacing - $this->seat->hole;
    }

    /** Per cent of the lid's area that is cut away; null in a jar's mouth. */
    public function removedPercent(): ?float
    {
        return $this->inMouth ? null : 100 * $this->cups() * M_PI * $this->seat->hole ** 2 / 4 / $this->tub->vessel->lid->outline->area();
    }

    /** Whether the only cup hangs in the middle, where a ring of lid carries it. */
    public function isOneInTheMiddle(): bool
    {
        $points = $this->arrangement->points;

        return count($points) === 1 && hypot($points[0]->x, $points[0]->y) < 1.0e-6;
    }

    /** Level on a day when nobody tops up; null without a crop. */
    public function levelOn(float $day): ?float
    {
        return $this->use === null ? null : $this->reservoir->levelFor(max(0.0, $this->working() - $this->use->until($day)));
    }

    /** Air between cup and water on a day when nobody tops up; null without a crop. */
    public function gapOn(float $day): ?float
    {
        $level = $this->levelOn($day);

        return $level === null ? null : $this->line->cupBottom - $level;
    }

    public function dryDay(): ?float
    {
        return $this->use?->dayWhenUsed($this->usable());
    }

    /** Where the tube meets the floor: in the middle of the left wall. */
    public function tubeFoot(): Point
    {
        return new Point(-$this->tub->vessel->profile->sectionAt(0.0)->length / 2, 0.0);
    }

    /** The tube from a pump standing at a height above the room's floor. */
    public function tubeRoute(float $distance, float $pumpHeight): TubeRoute
    {
        $entry = $this->tub->stand + $this->tub->vessel->floor + $this->tubeEntry;
        $stoneHeight = $this->tub->stones->height ?? 0.0;

        return TubeRoute::of($distance, $entry - $pumpHeight, max(0.0, $this->tubeEntry - $stoneHeight), $this->tubeFoot(), $this->stones);
    }

    /** Height of the highest water line above the room's floor. */
    public function highestWater(): float
    {
        return $this->tub->stand + $this->tub->vessel->floor + $this->line->highest();
    }
}
