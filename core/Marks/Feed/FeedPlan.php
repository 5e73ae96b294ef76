<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Feed\Mixing;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\Weather;
use KelpTub\Core\Season\WhatIf;

/** What one tub is fed, and its season, which is simulated when it is first asked for. */
final class FeedPlan
{
    private ?SeasonRun $run = null;

    /**
     * @param  array{float, float}|null  $window  EC in which the crops are at ease, mS/cm; null without plants
     * @param  SeasonTub|null  $season  null without plants, or without water
     */
    public function __construct(
        public readonly TubPlan $tub,
        public readonly TubAir $air,
        public readonly ?FeedWish $feed,
        public readonly Mixing $mixing,
        public readonly ?array $window,
        public readonly ?SeasonTub $season,
        public readonly Weather $weather,
        private readonly bool $inSun,
        private readonly ?self $like = null,
    ) {
    }

    /** The same tub with other air: its water and its salts go as they did. */
    public function breathing(TubAir $air, ?SeasonTub $season): self
    {
        return new self(
            $this->tub,
            $air,
            $this->feed,
            $this->mixing,
            $this->window,
            $season,
            $this->weather,
            $this->inSun,
            $this->like ?? $this,
        );
    }

    /** The season as it is forecast; null without plants. */
    public function run(): ?SeasonRun
    {
        return $this->season === null
            ? null
            : ($this->run ??= $this->like?->run()?->breathing($this->season) ?? $this->with([]));
    }

    /** The season where it was asked for already: a preview does not simulate it for its own sake. */
    public function runSoFar(): ?SeasonRun
    {
        return $this->run;
    }

    /**
     * The same season with what might happen in it, or with plants that drink and eat more or less than their figures say.
     *
     * @param  list<WhatIf>  $whatIfs
     */
    public function with(array $whatIfs, float $drinks = 1.0, float $eats = 1.0): ?SeasonRun
    {
        return $this->season === null
            ? null
            : (new Season($this->season, $this->weather, $this->inSun, $whatIfs, $drinks, $eats))->run();
    }
}
