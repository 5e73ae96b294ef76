<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\Season\ChangeSchool;
use KelpTub\Core\Season\Policy;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Season\TopUpStrength;

/** How a tub's roots get water and air. */
final readonly class TubWater
{
    /**
     * @param  LineChoice|null  $askedLine  as given, whether the system has it or not
     * @param  list<TopUp>  $plannedTopUps  of a passive tub
     * @param  float|null  $lowest  the level down to which the water is of use, mm, where the grower has set it
     * @param  string|null  $feed  id of the feed that it gets
     * @param  bool  $strengthens  whether the water that is there is made stronger when the plants want more
     */
    public function __construct(
        public GrowingSystem $system,
        public ?LineChoice $askedLine,
        public TopUps $topUps,
        public array $plannedTopUps,
        public ?StoneSet $stones,
        public RaftWish $raft,
        public ClonerWish $cloner,
        public DripCycle $drip,
        public ?float $lowest,
        public ChangeSchool $change,
        public TopUpStrength $strength,
        public ?string $feed,
        public bool $strengthens = true,
    ) {
    }

    /** How it is looked after through the season. */
    public function policy(): Policy
    {
        return new Policy($this->topUps, $this->strength, $this->change, $this->plannedTopUps, $this->strengthens);
    }

    /** The water line the tub is planned with: the one asked for where its system has it. */
    public function line(): LineChoice
    {
        return $this->askedLine !== null && in_array($this->askedLine, LineChoice::for($this->system), true)
            ? $this->askedLine
            : LineChoice::defaultFor($this->system);
    }
}
