<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\TopUps;

/**
 * A tub whose keeper goes away from the morning of a day on and is back after so many days. On the evening before it is made ready: water
 * whose change comes due meanwhile is changed, and else it is filled up as far as its school allows at once. Then nobody comes, and on the
 * evening of the return all goes on as before. Source: handbook, season (what-ifs, how long one can be away).
 */
final readonly class Leave implements Keeper
{
    /** @param  int  $from  the first day without a visit; on day 0 it has just been filled, and there is nothing to make ready */
    public function __construct(private Keeper $keeper, public int $from, public int $days)
    {
    }

    public function deeds(SeasonTub $tub, SeasonState $evening, bool $misses = false): Deeds
    {
        $day = $evening->day - 1;

        return match (true) {
            $day === $this->from - 1 => $this->ready($tub, $evening, $misses),
            $day >= $this->from && $day < $this->back() => Deeds::none(),
            default => $this->keeper->deeds($tub, $evening, $misses),
        };
    }

    /** The day on whose evening somebody looks after it again. */
    public function back(): int
    {
        return $this->from + $this->days;
    }

    private function ready(SeasonTub $tub, SeasonState $evening, bool $misses): Deeds
    {
        $now = $this->keeper->deeds($tub, $evening, $misses);
        // What falls due on a day without a visit is done now.
        if ($now->change || $this->keeper->deeds($tub, $evening->asOn($evening->day + $this->days), $misses)->change) {
            return new Deeds(change: true);
        }
        $gone = max(0.0, $tub->fill - $evening->volume);
        $quarter = $tub->start / 4;
        $topUp = match ($tub->policy->topUps) {
            TopUps::None => 0.0,
            // Still water gets a whole quarter, or none: two small ones in a row would take the air that its roots have grown into.
            TopUps::Quarter, TopUps::Half => $gone >= $quarter ? $quarter : 0.0,
            TopUps::Level => $gone,
        };

        return $topUp <= $now->topUp ? $now : new Deeds(
            stronger: $now->stronger,
            topUp: $topUp,
            topUpShare: $tub->policy->strength->share(),
            settled: $now->settled,
            misses: $now->misses,
        );
    }
}
