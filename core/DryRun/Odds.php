<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\Weather;
use stdClass;

/**
 * How a design under its own habits fares over many seeds: how often it comes through, what it brings, and what kills it. Source: handbook,
 * log (Dry run).
 */
final readonly class Odds
{
    public const MOST = 10_000;

    /** It comes through where it brings something, and so much of what is planned. */
    private const THROUGH = 0.5;

    private const PARTS = [0.1, 0.5, 0.9];

    public function __construct(private SeasonTub $tub, private Weather $weather)
    {
    }

    /**
     * How often it comes through, and no more.
     *
     * @param  float  $planned  g that it is held against
     */
    public function through(int $runs, int $first, float $planned): int
    {
        $days = count($this->planned()->days);
        $through = 0;
        for ($seed = $first; $seed < $first + $runs; $seed++) {
            $dry = new DryRun($this->tub, $this->weather, $this->luck($seed, $days));
            $through += self::comesThrough($dry->byHabit()->harvested(), $planned) ? 1 : 0;
        }

        return $through;
    }

    private static function comesThrough(float $grams, float $planned): bool
    {
        return $grams > 0.0 && $grams >= self::THROUGH * $planned;
    }

    /** With nothing hidden and nothing going wrong. */
    private function planned(): SeasonRun
    {
        return (new DryRun($this->tub, $this->weather, new Luck))->byHabit();
    }

    private function luck(int $seed, int $days): Luck
    {
        return Luck::of($seed % (Luck::MOST_SEED + 1), $this->tub, (float) $days);
    }

    /** @param  int  $first  the first seed */
    public function over(int $runs, int $first = 1): stdClass
    {
        $planned = $this->planned();
        $harvests = $killers = [];
        $through = 0;
        for ($seed = $first; $seed < $first + $runs; $seed++) {
            $dry = new DryRun($this->tub, $this->weather, $this->luck($seed, count($planned->days)));
            $harvests[] = $grams = $dry->byHabit()->harvested();
            if (self::comesThrough($grams, $planned->harvested())) {
                $through++;

                continue;
            }
            // What brings nothing though all goes well is lost by how it is planned.
            $killer = $planned->harvested() <= 0.0 ? 'the-design' : $this->killer($dry, $grams);
            $killers[$killer] = ($killers[$killer] ?? 0) + 1;
        }
        sort($harvests);
        arsort($killers);

        return (object) [
            'runs' => $runs,
            'planned_g' => $planned->harvested(),
            'came_through' => $through,
            'harvest_g' => array_map(
                static fn (float $part): float => $harvests[(int) round($part * (count($harvests) - 1))],
                self::PARTS,
            ),
            'killed_by' => (object) $killers,
            'helps_most' => null,
        ];
    }

    /** The mishap without which it would have brought most; what the plants are like by themselves where none of them would have helped. */
    private function killer(DryRun $dry, float $grams): string
    {
        [$killer, $most] = ['thirst-or-appetite', $grams];
        foreach ($dry->luck->mishaps as $n => $mishap) {
            $others = $dry->luck->mishaps;
            unset($others[$n]);
            $without = new DryRun(
                $this->tub,
                $this->weather,
                new Luck($dry->luck->thirst, $dry->luck->appetite, array_values($others), $dry->luck->seed),
            );
            $brings = $without->byHabit()->harvested();
            [$killer, $most] = $brings > $most ? [$mishap->kind->value, $brings] : [$killer, $most];
        }

        return $killer;
    }
}
