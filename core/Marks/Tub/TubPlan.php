<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Vessel\Weight;

/**
 * All that follows from one tub by itself: its holes, its plants, its water, and what it takes to stand there. Lengths in mm, volumes
 * in litres.
 */
final readonly class TubPlan
{
    public function __construct(
        public Tub $tub,
        public Cutting $cutting,
        public HolesPlan $holes,
        public PlantsPlan $plants,
        public WaterPlan $water,
        public Fittings $fittings,
    ) {
    }

    /** The crop that one of several is named by: the one that wants most room. */
    public function crop(): ?Crop
    {
        return $this->plants->mix->widest() ?? ($this->tub->planting->crops[0]->crop ?? null);
    }

    /** Water for each plant that grows here; null where none does. */
    public function litresPerPlant(): ?float
    {
        return $this->plants->count > 0 ? $this->water->working() / $this->plants->count : null;
    }

    /** Cups made at home that hang in one tub. */
    public function homeMadeCups(): int
    {
        $cups = 0;
        foreach ($this->cutting->sizes as $i => $size) {
            $cups += $size->cup->homeMade ? $this->holes->cupsOf($i) : 0;
        }

        return $cups;
    }

    /** Plants of one tub that want a stake; none where a trellis bears them. */
    public function stakedPlants(): int
    {
        return $this->tub->planting->trellis ? 0 : array_sum(array_map(
            static fn (CropShare $s): int => $s->crop->isStaked() ? $s->plants : 0,
            $this->plants->mix->shares,
        ));
    }

    /** What a raft bears, kg: wet pebbles and grown plants. */
    public function raftLoad(): float
    {
        return $this->plants->pebbles * Weight::WET_PEBBLES_KG_PER_L + $this->plants->mix->matureKg();
    }

    /** How deep a raft sits in the water; null where there is none. */
    public function draught(): ?float
    {
        $draught = $this->cutting->raft?->draught($this->raftLoad(), $this->holes->area());

        return $draught === null || is_infinite($draught) ? null : $draught;
    }

    /** How deep a raft's cups really dip, from its thickness and its draught; negative where they hang clear of the water. */
    public function dip(): ?float
    {
        $draught = $this->draught();

        return $draught === null ? null : $this->cutting->raft?->dip(
            $this->tub->holes->cup->height - $this->cutting->seat->raise,
            $draught,
        );
    }

    /** How the hole is made through which an air tube comes. */
    public function tubeHole(): TubeHole
    {
        return match (true) {
            ! $this->tub->body->tubeThroughLid => TubeHole::Drilled,
            $this->cutting->raft !== null, $this->cutting->inMouth => TubeHole::None,
            $this->tub->holes->traced, $this->cutting->isCutByKnife() => TubeHole::Cut,
            default => TubeHole::Drilled,
        };
    }

    /** Where the tube meets the floor: in the middle of the left wall. */
    public function tubeFoot(): Point
    {
        return new Point(-$this->tub->body->vessel->profile->sectionAt(0.0)->length / 2, 0.0);
    }

    /** The tube from a pump standing at a height above the room's floor. */
    public function tubeRoute(float $distance, float $pumpHeight): TubeRoute
    {
        $entry = $this->tub->body->floorHeight() + $this->fittings->tubeEntry;
        $stoneHeight = $this->tub->water->stones->height ?? 0.0;

        return TubeRoute::of(
            $distance,
            $entry - $pumpHeight,
            max(0.0, $this->fittings->tubeEntry - $stoneHeight),
            $this->tubeFoot(),
            $this->fittings->stones,
        );
    }

    /** Height of the highest water line above the room's floor. */
    public function highestWater(): float
    {
        return $this->tub->body->floorHeight() + $this->water->line->highest();
    }

    /** Height of the upper face that lips lie on: the lid's, a jar's rim, or the top of a floating board. */
    public function lidTop(): float
    {
        return match (true) {
            $this->cutting->raft !== null => $this->water->line->cupBottom + $this->tub->holes->cup->height - $this->cutting->seat->raise,
            $this->cutting->inMouth => $this->tub->body->vessel->profile->rim(),
            default => $this->tub->body->vessel->profile->rim() + $this->tub->body->lid->topAboveRim,
        };
    }
}
