<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * How long one can be away: from the evening of a day on nobody puts anything in, until the water is down to its lowest useful level or
 * the EC is too far over the crops' window. What is over it before one leaves does not keep one at home.
 */
final readonly class Absence
{
    /** @param  float|null  $ecHigh  upper end of the crops' window; null where the EC does not count */
    public function __construct(private SeasonTub $tub, private SeasonRun $run, private ?float $ecHigh)
    {
    }

    /** Whole days from the evening of a day that keep every limit; to the last harvest at most. */
    public function from(int $day): int
    {
        $days = $this->run->days;
        $volume = $days[$day]->volume;
        $salt = $days[$day]->salt;
        $least = $this->tub->fill - $this->tub->usable;
        $limit = $this->ecHigh === null || $salt === null || $volume <= 0.0
            ? INF
            : max($this->ecHigh + SeasonRun::STRONG_BY, $salt / $volume);
        for ($away = 0, $d = $day + 1; isset($days[$d]); $d++, $away++) {
            // What is drunk does not hang on what is there, as long as there is something.
            $volume -= $days[$d]->use;
            $salt = $salt === null ? null : max(0.0, $salt - ($days[$d]->uptake ?? 0.0));
            if ($volume < $least - 1.0e-9 || ($salt !== null && $volume > 0.0 && $salt / $volume > $limit + 1.0e-9)) {
                return $away;
            }
        }

        return $away;
    }
}
