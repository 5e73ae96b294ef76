<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\CoverParts;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\Vessel;

/** What a tub is made of and stands on. Lengths in mm. */
final readonly class TubBody
{
    /**
     * @param  LinerBag|null  $liner  the bag, where the light cover is one
     * @param  float  $stand  height of what it stands on
     * @param  Vessel|null  $under  the vessel that a nested one stands in
     * @param  float  $blocks  height of the blocks between the two
     * @param  list<TubExtra>  $extras
     */
    public function __construct(
        public Vessel $vessel,
        public Lid $lid,
        public Cover $cover,
        public CoverParts $coverParts,
        public ?LinerBag $liner,
        public float $stand,
        public ?Vessel $under,
        public float $blocks,
        public bool $tubeThroughLid,
        public array $extras = [],
    ) {
    }

    /** Height of the inside floor above the room's floor: stand, blocks and the vessel under it included. */
    public function floorHeight(): float
    {
        return $this->stand + ($this->under === null ? 0.0 : $this->under->floor + $this->blocks) + $this->vessel->floor;
    }

    /** Whether light gets into the solution: through walls that nothing covers. A bag lines them, whatever else is covered. */
    public function letsLightIn(): bool
    {
        return $this->vessel->opacity->needsCover()
            && ($this->cover === Cover::None || ($this->cover !== Cover::Liner && ! $this->coverParts->hasWalls()));
    }
}
