<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\TopUps;

/** The top-ups of a season up to the first harvest, and what they come to as a habit. Litres and days; day 0 is the first. */
final readonly class TopUpHabit
{
    /** @param  non-empty-list<TopUp>  $topUps */
    private function __construct(public array $topUps)
    {
    }

    /** Null where nothing is topped up before the first harvest, or no school asks for it. */
    public static function of(SeasonRun $run): ?self
    {
        if ($run->tub->policy->topUps === TopUps::None) {
            return null;
        }
        $harvest = $run->harvestDay() ?? INF;
        $topUps = [];
        foreach ($run->days as $day) {
            if ($day->topUp > 0.0 && $day->day < $harvest) {
                $topUps[] = new TopUp((float) $day->day, $day->topUp);
            }
        }

        return $topUps === [] ? null : new self($topUps);
    }

    public function fromDay(): float
    {
        return $this->topUps[0]->day;
    }

    /** What is poured at a time once the plants are grown: the mean of the later half of all. */
    public function litres(): float
    {
        $late = $this->late();

        return array_sum(array_map(static fn (TopUp $t): float => $t->litres, $late)) / count($late);
    }

    /**
     * The least and the most days between two of the later half; null where there is only one top-up.
     *
     * @return array{float, float}|null
     */
    public function every(): ?array
    {
        $late = $this->late();
        $gaps = array_map(static fn (int $i): float => $late[$i]->day - $late[$i - 1]->day, array_slice(array_keys($late), 1));

        return $gaps === [] ? null : [min($gaps), max($gaps)];
    }

    /** @return non-empty-list<TopUp> the later half, and the one before it */
    private function late(): array
    {
        $late = array_slice($this->topUps, max(0, intdiv(count($this->topUps), 2) - 1));

        return $late === [] ? $this->topUps : $late;
    }
}
