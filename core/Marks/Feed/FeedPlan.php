<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\Mixing;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\KnownSeasons;
use KelpTub\Core\Season\Policy;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonEvent;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\Weather;

/** What one tub is fed, and its season, which is simulated when it is first asked for and then once. */
final class FeedPlan
{
    private ?SeasonRun $run = null;

    /**
     * @param  array{float, float}|null  $window  EC in which the crops are at ease, mS/cm; null without plants
     * @param  SeasonTub|null  $season  null without plants
     */
    public function __construct(
        public readonly TubPlan $tub,
        public readonly TubAir $air,
        public readonly ?FeedWish $feed,
        public readonly Mixing $mixing,
        public readonly ?array $window,
        public readonly ?SeasonTub $season,
        public readonly Weather $weather,
        private readonly KnownSeasons $known,
    ) {
    }

    /** The season as it is forecast; null without plants. */
    public function run(): ?SeasonRun
    {
        return $this->season === null ? null : ($this->run ??= $this->known->of($this->season, $this->weather));
    }

    /** Oxygen at the end of a day, or of the last day on which anything lives, mg/L; null without plants, where it is dry, or still. */
    public function oxygenOn(int $day): ?float
    {
        $run = $this->with([])?->run(to: max(0, $day));

        return $run?->balance(count($run->days) - 1)?->steady();
    }

    /** The stage at which the first fill is made. */
    public function stage(): Stage
    {
        return $this->season === null ? Stage::Grow : (new Season($this->season, $this->weather))->start()->stage;
    }

    /** Light of a day on the mean of the days to the first harvest, mol/m²; null where light is told by hours. */
    public function meanLight(): ?float
    {
        $run = $this->run();
        if ($this->season === null || $run === null) {
            return null;
        }
        $days = $this->weather->isSteady() ? 1 : max(1, min(count($run->days), (int) ceil($run->harvestDay() ?? count($run->days))));
        $mol = 0.0;
        for ($day = 0; $day < $days; $day++) {
            $of = $this->lightOn($day);
            if ($of === null) {
                return null;
            }
            $mol += $of / $days;
        }

        return $mol;
    }

    /** The light of a day, mol/m²; null where it is told by hours. */
    public function lightOn(int $day): ?float
    {
        return $this->season?->light->mol($this->weather->on($day), $this->weather->dayOfYear($day));
    }

    /**
     * What the first fill takes as it is measured out: for the tub, or for so many litres to be shared where that is too little to measure.
     *
     * @return array{list<Dose>, float|null} amounts, and the litres of the batch; null where it is for the tub itself
     */
    public function firstFill(): array
    {
        $litres = $this->tub->water->start();
        $doses = $this->mixing->doses($litres, $this->stage());
        $batch = Dose::batch($doses, $litres);

        return [$batch === null ? $doses : array_map(static fn (Dose $d): Dose => $d->times($batch / $litres), $doses), $batch];
    }

    /** The stage of the plants that the tub is fed for in the evening of a day; of grown ones without a day, or past the season's last. */
    public function stageOn(?int $day): Stage
    {
        return $day === null ? $this->grownStage() : ($this->run()?->days[$day]->after->stage ?? $this->grownStage());
    }

    /** The stage of plants that have come to their first harvest. */
    public function grownStage(): Stage
    {
        $leader = $this->season?->leader(
            array_fill(0, count($this->season->stands), 0.0),
            array_fill(0, count($this->season->stands), null),
        );

        return $this->season === null || $leader === null
            ? Stage::Grow
            : $this->season->stage($leader, $this->season->stands[$leader]->use->harvestDay);
    }

    /**
     * The same season with what might happen in it, or with plants that drink and eat more or less than their figures say.
     *
     * @param  list<SeasonEvent>  $events
     */
    public function with(array $events, float $drinks = 1.0, float $eats = 1.0): ?Season
    {
        return $this->season === null ? null : new Season($this->season, $this->weather, $events, $drinks, $eats);
    }

    /** The same season looked after otherwise. */
    public function under(Policy $policy): ?SeasonRun
    {
        return $this->season === null ? null : $this->known->of($this->season->under($policy), $this->weather);
    }
}
