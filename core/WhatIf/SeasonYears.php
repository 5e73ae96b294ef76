<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use InvalidArgumentException;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Feed\FeedPlans;
use stdClass;

/**
 * How a tub fares in other years: the same season in the weather of so many seeds, the garden's own first. Asked for by itself, never in a
 * preview. Source: handbook, season (one water).
 */
final readonly class SeasonYears
{
    public const MOST = 50;

    /** What is said of time, by the beginnings of its codes. */
    private const OF_TIME = '/^(season|passive)\./';

    public function __construct(private Planner $planner, private Library $library)
    {
    }

    /**
     * @param  int  $years  how many, 1 to 50
     * @return stdClass|null null where nothing grows, or where every year is the same
     *
     * @throws InvalidArgumentException when what is asked cannot be read
     */
    public function of(Garden $garden, Tub $tub, SeasonAsk $ask, int $years): ?stdClass
    {
        if ($years < 1 || $years > self::MOST) {
            throw new InvalidArgumentException("$years years were asked for; there are 1 to ".self::MOST);
        }
        $patch = new PatchMaker($garden->document, $this->library);
        $plan = $this->planner->begun($garden, $ask->patch($tub, $patch));
        $feed = $plan->get(FeedPlans::class)->of($tub->id);
        if ($feed->season === null || $feed->weather->isSteady()) {
            return null;
        }
        $first = (int) ($garden->document->site->weather->seed ?? 1);
        $harvests = $grams = $found = [];
        for ($i = 0; $i < $years; $i++) {
            $year = $i === 0 ? $plan : $this->planner->begun(
                $plan->garden,
                (new PatchMaker($plan->garden->document, $this->library))->set('/site/weather/seed', $first + $i),
            );
            $run = $year->get(FeedPlans::class)->of($tub->id)->run();
            $harvests[] = $run?->harvestDay();
            $grams[] = $run?->harvested() ?? 0.0;
            $said = [];
            foreach ($this->planner->findingsOnTub($year, $tub->id) as $finding) {
                if (preg_match(self::OF_TIME, $finding->code) === 1) {
                    $said["{$finding->severity->value} $finding->code"] = true;
                }
            }
            foreach (array_keys($said) as $code) {
                $found[$code] = ($found[$code] ?? 0) + 1;
            }
        }
        arsort($found);
        $days = array_values(array_filter($harvests, static fn (?float $day): bool => $day !== null));

        return (object) [
            'years' => $years,
            'harvests' => count($days),
            'harvest_day' => self::range($days),
            'harvest_g' => self::range($grams),
            'findings' => array_map(static fn (string $said, int $in): stdClass => (object) [
                'severity' => explode(' ', $said)[0],
                'code' => explode(' ', $said)[1],
                'years' => $in,
            ], array_keys($found), $found),
        ];
    }

    /**
     * The least, the middle and the most; null of none.
     *
     * @param  list<float>  $values
     * @return array{float, float, float}|null
     */
    private static function range(array $values): ?array
    {
        sort($values);

        return $values === [] ? null : [$values[0], $values[intdiv(count($values), 2)], $values[count($values) - 1]];
    }
}
