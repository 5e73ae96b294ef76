<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * Seasons that were run already, by all that they go by: tubs that stand alike, and ways out of a finding that leave the water as it is,
 * take them from here. Only so many are held.
 */
final class KnownSeasons
{
    private const MOST = 40;

    /** @var array<string, SeasonRun> the one last asked for at the end */
    private array $runs = [];

    public function of(SeasonTub $tub, Weather $weather): SeasonRun
    {
        $print = hash('xxh128', serialize([$tub, $weather->print()]));
        $run = $this->runs[$print] ?? (new Season($tub, $weather))->run();
        unset($this->runs[$print]);
        $this->runs[$print] = $run;
        if (count($this->runs) > self::MOST) {
            unset($this->runs[array_key_first($this->runs)]);
        }

        return $run;
    }
}
