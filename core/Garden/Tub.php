<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Vessel\Vessel;

/** One tub of a garden as the grower set it, defaults filled in. Lengths in mm. */
final readonly class Tub
{
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
        public ?float $hole,
        public ?float $raise,
        public LayoutWish $layout,
        public ?Crop $crop,
        public ?int $plants,
        public string $plug,
        public bool $pebbles,
        public ?StoneSet $stones,
        public bool $tubeThroughLid,
        public TopUps $topUps,
        public bool $trellis,
        public string $cover,
    ) {
    }

    public function pointer(string $rest = ''): string
    {
        return "/tubs/$this->index$rest";
    }

    /** The water line the tub is planned with: the one asked for where its system has it. */
    public function line(): LineChoice
    {
        return $this->askedLine !== null && in_array($this->askedLine, LineChoice::for($this->system), true)
            ? $this->askedLine
            : LineChoice::defaultFor($this->system);
    }
}
