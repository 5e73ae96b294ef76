<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Crop\TubWaterUse;

/**
 * A tub's top-ups to the first harvest as its policy brings them, looked at on the evening of each whole day, and what they come to as a
 * habit. Litres and days; day 0 is the first.
 *
 * Source: handbook, season: `level` tops up to the line when a third of what can be used is gone, `quarter` a quarter of the fill then,
 * `half` a half of it when a half is gone.
 */
final readonly class TopUpHabit
{
    /** More than this many days are no plan. */
    private const MOST_DAYS = 400;

    private const ROUNDING_L = 1.0e-9;

    /** @param  non-empty-list<TopUp>  $topUps */
    private function __construct(public array $topUps)
    {
    }

    /** Null where nothing has to be topped up before the first harvest, or nothing can be. */
    public static function of(TubWaterUse $use, TopUps $policy, float $fill, float $usable): ?self
    {
        $trigger = $policy->usedShare() * $usable;
        if ($policy === TopUps::None || $trigger <= 0.0) {
            return null;
        }
        $topUps = [];
        $added = 0.0;
        $last = min((float) self::MOST_DAYS, $use->harvestDay);
        for ($day = 0.0; $day + 1.0 < $last; $day++) {
            $gone = $use->until($day + 1.0) - $added;
            if ($gone < $trigger - self::ROUNDING_L) {
                continue;
            }
            $litres = match ($policy) {
                TopUps::Quarter => min($gone, $fill / 4),
                TopUps::Half => min($gone, $fill / 2),
                default => $gone,
            };
            $added += $litres;
            $topUps[] = new TopUp($day, $litres);
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
