<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\CropStand;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Mixing;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Vessel\Reservoir;

/** What a season goes by: one tub, filled and planted, and where it stands. Litres, mm, m², °C, days. */
final readonly class SeasonTub
{
    private const ROUNDING_L = 1.0e-9;

    /** Litres at the lowest useful level: below it the tub counts as dry. */
    public float $dryLitres;

    /**
     * @param  float  $start  litres of the first fill
     * @param  float  $fill  working volume at the water line, to which changes and top-ups go
     * @param  float  $usable  of it, down to the lowest useful level
     * @param  float  $brim  litres at the overflow hole, or at the rim where there is none
     * @param  non-empty-list<CropStand>  $stands  drinking as at the site's climate
     * @param  float  $climate  of the site
     * @param  Breath|null  $breath  null of a passive tub
     * @param  float|null  $lidArea  on which rain falls; null under a roof
     * @param  bool  $inSun  whether leaves stand in full sun
     * @param  float|null  $jam  level at which a raft comes to hang in the walls, mm; null where cups hang in a lid
     * @param  float  $line  the water line at which a raft's cups have their bottom where it is said, mm
     * @param  list<int>  $since  the day on which each stand was set in, where that was not the same day for all of them
     */
    public function __construct(
        public GrowingSystem $system,
        public float $start,
        public float $fill,
        public float $usable,
        public float $brim,
        public float $cupBottom,
        public Reservoir $reservoir,
        public array $stands,
        public float $climate,
        public Mixing $mixing,
        public Acidity $acidity,
        public Policy $policy,
        public ?Breath $breath,
        public Warmth $warmth,
        public DayLight $light,
        public ?float $lidArea = null,
        public bool $inSun = false,
        private ?float $jam = null,
        private float $line = 0.0,
        private array $since = [],
    ) {
        $this->dryLitres = $fill - $usable;
    }

    /** Whether so many litres are below the lowest useful level. */
    public function isLow(float $litres): bool
    {
        return $litres < $this->dryLitres - self::ROUNDING_L;
    }

    /** The same with other air. */
    public function breathing(?Breath $breath): self
    {
        return new self(...[...$this->given(), 'breath' => $breath]);
    }

    /** The same looked after otherwise. */
    public function under(Policy $policy): self
    {
        return new self(...[...$this->given(), 'policy' => $policy]);
    }

    /**
     * The same with other plants of the same crops.
     *
     * @param  non-empty-list<CropStand>  $stands
     */
    public function standing(array $stands): self
    {
        return new self(...[...$this->given(), 'stands' => $stands]);
    }

    /**
     * The same with what was set in on different days.
     *
     * @param  list<int>  $days  of each stand
     */
    public function since(array $days): self
    {
        return new self(...[...$this->given(), 'since' => $days]);
    }

    /** Air between cups and water at a level, mm; a raft's cups go down with the water until it jams. */
    public function gapAt(float $level): float
    {
        return $this->cupBottom - ($this->jam === null ? $level : $this->line - max(0.0, $this->jam - $level));
    }

    /** Whether anything lives in it still. */
    public function lives(SeasonState $state): bool
    {
        foreach ($this->stands as $i => $stand) {
            if ($state->died[$i] === null && ! $stand->isDone($state->ages[$i])) {
                return true;
            }
        }

        return false;
    }

    /**
     * By whose stage the tub is fed: of what was set in on different days by those that drink most on the day; of what was set in on one
     * day by the living stand whose own first harvest is last, of equals the first. Null where none lives.
     *
     * @param  array<int, float>  $ages
     * @param  array<int, int|null>  $died
     */
    public function leader(array $ages, array $died): ?int
    {
        $leader = null;
        $thirstiest = count(array_unique($this->since)) > 1 ? $this->thirstiest($ages, $died) : null;
        foreach ($this->stands as $i => $stand) {
            if (
                $died[$i] === null && ! $stand->isDone($ages[$i])
                && ($thirstiest === null || $this->since[$i] === $thirstiest)
                && ($leader === null || $stand->use->harvestDay > $this->stands[$leader]->use->harvestDay)
            ) {
                $leader = $i;
            }
        }

        return $leader;
    }

    /**
     * The day on which those were set in that drink most at their age, all of one day together; null where none lives.
     *
     * @param  array<int, float>  $ages
     * @param  array<int, int|null>  $died
     */
    private function thirstiest(array $ages, array $died): ?int
    {
        $drinks = [];
        foreach ($this->stands as $i => $stand) {
            if ($died[$i] === null && ! $stand->isDone($ages[$i])) {
                $since = $this->since[$i];
                $drinks[$since] = ($drinks[$since] ?? 0.0) + $stand->drunkBy($ages[$i] + 1.0) - $stand->drunkBy($ages[$i]);
            }
        }

        arsort($drinks);

        return array_key_first($drinks);
    }

    /** The stage of a stand at an age, as it is fed. */
    public function stage(int $stand, float $age): Stage
    {
        $of = $this->stands[$stand];

        return $this->fedAt(Stage::of($of->wayTo($age), $of->bearsFruit, $of->hasSprouted($age)));
    }

    /** Still water has no young stage: what is in it once cannot be made stronger, and top-ups are too few to do so. */
    public function fedAt(Stage $stage): Stage
    {
        return match (true) {
            $this->system !== GrowingSystem::Passive => $stage,
            $stage === Stage::Seedling => $this->policy->isOneFill() ? Stage::Seedling : Stage::Grow,
            default => $stage,
        };
    }

    /** @return array<string, mixed> as it was made */
    private function given(): array
    {
        $given = get_object_vars($this);
        unset($given['dryLitres']);

        return $given;
    }
}
