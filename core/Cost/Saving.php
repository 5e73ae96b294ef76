<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** What is saved by doing without something or doing it otherwise, and the harm it does: findings that it adds, grams of harvest lost. */
final readonly class Saving
{
    /**
     * @param  string  $touches  what it changes: of two that change the same only one can be done
     * @param  float  $saves  money
     * @param  int  $stops  findings of each severity that it brings; negative where it takes some away
     * @param  float  $yieldLost  grams a season
     */
    public function __construct(
        public string $touches,
        public float $saves,
        public int $stops = 0,
        public int $mends = 0,
        public int $minds = 0,
        public float $yieldLost = 0.0,
    ) {
    }
}
