<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\Neighbours;
use KelpTub\Core\Crop\TubWaterUse;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Season\PassiveCourse;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Reservoir;
use KelpTub\Core\Vessel\Weight;

/** All that follows from one tub by itself: its hole, its lid, its water, its plants. Lengths in mm, volumes in litres. */
final readonly class TubPlan
{
    /** The seat of the tub's cup. */
    public Seat $seat;

    /** The two neighbours that lack most of the room they want. */
    public ?Neighbours $closest;

    /** Cups that are planted. */
    public int $plants;

    /**
     * @param  bool  $inMouth  the cup hangs in a jar's mouth: no saw, no lid
     * @param  Lid  $lid  what the holes are cut in: the vessel's lid, or a raft's board
     * @param  non-empty-list<CupPlan>  $sizes  the tub's cup, then the second size where there is one
     * @param  list<int>  $cupAt  which of the sizes each hole has
     * @param  list<Crop|null>  $cropAt  what grows in each hole
     * @param  int  $asked  cups asked for, or laid out where as many as possible were wanted
     * @param  bool  $complete  false where a place of the pattern stays uncut
     * @param  list<Point>  $stones  on the floor, under the plants
     */
    public function __construct(
        public Tub $tub,
        public bool $inMouth,
        public Lid $lid,
        public array $sizes,
        public WaterLine $line,
        public LayoutSpace $space,
        public LayoutSolver $solver,
        public Arrangement $arrangement,
        public array $cupAt,
        public array $cropAt,
        public int $asked,
        public bool $complete,
        public Capacity $capacity,
        public CropMix $mix,
        public float $climate,
        public Reservoir $reservoir,
        public float $lowest,
        public ?TubWaterUse $use,
        public float $pebbles,
        public Weight $weight,
        public array $stones,
        public float $tubeEntry,
        public ?Raft $raft,
        public ?NestedPair $pair,
    ) {
        $this->closest = Neighbours::closest($arrangement, $cropAt, $lid);
        $this->seat = $sizes[0]->seat;
        $this->plants = $tub->crops === [] && $mix->isEmpty() ? min($tub->plants ?? count($cropAt), count($cropAt)) : $mix->plants();
    }

    public function cups(): int
    {
        return $this->arrangement->count();
    }

    /** Cups of one of the sizes. */
    public function cupsOf(int $size): int
    {
        return count(array_keys($this->cupAt, $size, true));
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
        return $this->inMouth || $this->cups() === 0 ? null : min(INF, ...array_map($this->space->edge(...), $this->arrangement->points, $this->cupAt));
    }

    /** Least width of lid between two holes. */
    public function web(): ?float
    {
        if ($this->arrangement->spacing === null) {
            return null;
        }
        if (count($this->sizes) === 1) {
            return $this->arrangement->spacing - $this->seat->hole;
        }

        return $this->arrangement->least(fn (float $distance, int $i, int $j): float => $this->space->web($distance, $this->cupAt[$i], $this->cupAt[$j]));
    }

    public function holesArea(): float
    {
        return array_sum(array_map(fn (int $size): float => M_PI * $this->sizes[$size]->seat->hole ** 2 / 4, $this->cupAt));
    }

    /** Per cent of the lid's area that is cut away; null in a jar's mouth. */
    public function removedPercent(): ?float
    {
        return $this->inMouth ? null : 100 * $this->holesArea() / $this->lid->outline->area();
    }

    /** Whether the only cup hangs in the middle, where a ring of lid carries it. */
    public function isOneInTheMiddle(): bool
    {
        $points = $this->arrangement->points;

        return count($points) === 1 && hypot($points[0]->x, $points[0]->y) < 1.0e-6;
    }

    /** The crop that one of several is named by: the one that wants most room. */
    public function crop(): ?Crop
    {
        return $this->mix->widest() ?? ($this->tub->crops[0]->crop ?? null);
    }

    /** How a passive tub's water goes down with the top-ups that are planned; null without a crop. */
    public function course(): ?PassiveCourse
    {
        return $this->use === null ? null : new PassiveCourse($this->use, $this->working(), $this->usable(), $this->tub->plannedTopUps);
    }

    /** Level on a day, with the top-ups that are planned and no others; null without a crop. */
    public function levelOn(float $day): ?float
    {
        $course = $this->course();

        return $course === null ? null : $this->reservoir->levelFor($course->litresOn($day));
    }

    /** Air between cup and water on such a day; null without a crop. */
    public function gapOn(float $day): ?float
    {
        $level = $this->levelOn($day);

        return $level === null ? null : $this->line->cupBottom - $level;
    }

    public function dryDay(): ?float
    {
        return $this->course()?->dryDay();
    }

    /**
     * Days from one top-up to the next when the plants are grown, at the share of the usable water after which the tub's school tops up;
     * without top-ups the days that all of it would last. Null without a crop.
     */
    public function daysBetweenFills(): ?float
    {
        return $this->use === null ? null : $this->tub->topUps->usedShare() * $this->usable() / $this->use->peakDaily();
    }

    /** What a raft bears, kg: wet pebbles and grown plants. */
    public function raftLoad(): float
    {
        return $this->pebbles * Weight::WET_PEBBLES_KG_PER_L + $this->mix->matureKg();
    }

    /** Where the tube meets the floor: in the middle of the left wall. */
    public function tubeFoot(): Point
    {
        return new Point(-$this->tub->vessel->profile->sectionAt(0.0)->length / 2, 0.0);
    }

    /** The tube from a pump standing at a height above the room's floor. */
    public function tubeRoute(float $distance, float $pumpHeight): TubeRoute
    {
        $entry = $this->tub->floorHeight() + $this->tubeEntry;
        $stoneHeight = $this->tub->stones->height ?? 0.0;

        return TubeRoute::of($distance, $entry - $pumpHeight, max(0.0, $this->tubeEntry - $stoneHeight), $this->tubeFoot(), $this->stones);
    }

    /** Height of the highest water line above the room's floor. */
    public function highestWater(): float
    {
        return $this->tub->floorHeight() + $this->line->highest();
    }

    /** Height of the upper face that lips lie on: the lid's, a jar's rim, or the top of a floating board. */
    public function lidTop(): float
    {
        return match (true) {
            $this->raft !== null => $this->line->cupBottom + $this->tub->cup->height - $this->seat->raise,
            $this->inMouth => $this->tub->vessel->profile->rim(),
            default => $this->tub->vessel->profile->rim() + $this->tub->vessel->lid->topAboveRim,
        };
    }
}
