<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * How long one can be away: from the evening of a day on nobody comes, until the water is down to its lowest useful level, the EC is too
 * far over what the plants like, oxygen falls short, or something dies. What is over it before one leaves does not keep one at home.
 */
final readonly class Absence
{
    /** EC so far over the window is held against a grower, mS/cm. */
    public const STRONG_BY = 0.3;

    private const ROUNDING = 1.0e-9;

    /**
     * @param  float|null  $ecHigh  upper end of the crops' window; null where the EC does not count
     * @param  float  $oxygen  under which roots work badly, mg/L
     */
    public function __construct(private Season $season, private SeasonRun $run, private ?float $ecHigh, private float $oxygen)
    {
    }

    /** Whole days from the evening of a day that keep every limit; to the end of the season at most. */
    public function from(int $day): int
    {
        return $this->until($day)[0];
    }

    /**
     * The same, and the limit that is passed on the day after; null where the season ends before one is.
     *
     * @param  int  $day  −1 for the start, when it has just been filled
     * @return array{int, Limit|null}
     */
    public function until(int $day): array
    {
        $state = $this->run->before($day + 1);
        $strongest = $this->ecHigh === null ? INF : max($this->ecHigh + self::STRONG_BY, $state->ec() ?? 0.0);
        $least = min($this->oxygen, $this->run->oxygen($day) ?? INF);
        $nobody = new Nobody;
        for ($away = 0; $day + $away + 1 < count($this->run->days); $away++) {
            $next = $this->season->step($state, $nobody);
            $limit = match (true) {
                $next->after->died !== $state->died => Limit::Dead,
                $this->run->tub->isLow($next->after->volume) => Limit::Low,
                ($next->oxygen ?? INF) < $least - self::ROUNDING => Limit::Airless,
                ($next->ec() ?? 0.0) > $strongest + self::ROUNDING => Limit::Strong,
                default => null,
            };
            if ($limit !== null) {
                return [$away, $limit];
            }
            $state = $next->after;
        }

        return [$away, null];
    }
}
