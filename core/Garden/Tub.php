<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\Vessel;

/** One tub of a garden as the grower set it, defaults filled in. Lengths in mm. */
final readonly class Tub
{
    /**
     * @param  Cup|null  $secondCup  a second size of cup on the same lid
     * @param  bool  $traced  holes are traced and cut without a saw
     * @param  list<CropWish>  $crops  what is to grow; none, one, or several that share the water
     * @param  int|null  $plants  how many of the cups are planted; null for all
     * @param  LinerBag|null  $liner  the bag, where the light cover is one
     * @param  list<TopUp>  $plannedTopUps  of a passive tub
     */
    public function __construct(
        public int $index,
        public string $id,
        public string $name,
        public int $count,
        public float $stand,
        public GrowingSystem $system,
        public ?LineChoice $askedLine,
        public Density $density,
        public Vessel $vessel,
        public Cup $cup,
        public ?Cup $secondCup,
        public ?float $hole,
        public bool $traced,
        public ?float $raise,
        public LayoutWish $layout,
        public array $crops,
        public ?int $plants,
        public string $plug,
        public bool $pebbles,
        public ?StoneSet $stones,
        public bool $tubeThroughLid,
        public TopUps $topUps,
        public array $plannedTopUps,
        public bool $trellis,
        public string $cover,
        public ?LinerBag $liner,
        public RaftWish $raft,
        public ClonerWish $cloner,
        public DripCycle $drip,
        public ?Vessel $under,
        public float $blocks,
    ) {
    }

    public function pointer(string $rest = ''): string
    {
        return "/tubs/$this->index$rest";
    }

    /** So many places dealt out to the tub's crops, as far as they are planted. */
    public function mix(int $places): CropMix
    {
        return CropMix::of($this->crops, $this->density, min($this->plants ?? $places, $places));
    }

    /** Height of the inside floor above what the tub stands on, stand, blocks and the vessel under it included, mm. */
    public function floorHeight(): float
    {
        return $this->stand + ($this->under === null ? 0.0 : $this->under->floor + $this->blocks) + $this->vessel->floor;
    }

    /** The water line the tub is planned with: the one asked for where its system has it. */
    public function line(): LineChoice
    {
        return $this->askedLine !== null && in_array($this->askedLine, LineChoice::for($this->system), true)
            ? $this->askedLine
            : LineChoice::defaultFor($this->system);
    }
}
