<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * What somebody found and did at a tub on the days of a calendar: before noon at the start of its day, later at its end, where a reading
 * may come before what is done and another after it. Source: handbook, log (where it is kept).
 */
final readonly class Visits
{
    /**
     * @param  array<int, list<Deeds>>  $mornings  by day, one after another
     * @param  array<int, Deeds>  $evenings  by day
     * @param  array<int, Found>  $afterwards  by day: what was read in the evening when all was done
     * @param  int|null  $from  the first day of which the log tells what was put in, and from where on it tells all of it; null where it
     *                          tells of nothing put in
     * @param  int|null  $to  the last evening of which it tells
     */
    public function __construct(
        private array $mornings = [],
        private array $evenings = [],
        private array $afterwards = [],
        private ?int $from = null,
        private ?int $to = null,
    ) {
    }

    /** @return list<Deeds> */
    public function morning(int $day): array
    {
        return $this->mornings[$day] ?? [];
    }

    public function evening(int $day): ?Deeds
    {
        return $this->evenings[$day] ?? null;
    }

    public function after(int $day): ?Found
    {
        return $this->afterwards[$day] ?? null;
    }

    /** Somebody who keeps a season that begins on a day of the calendar as these visits tell. */
    public function keeper(int $start, Keeper $otherwise): Keeper
    {
        $done = [];
        foreach ($this->evenings as $day => $deeds) {
            $done[$day - $start] = $deeds;
        }

        return $done === [] && $this->from === null ? $otherwise : new KeptByLog(
            $otherwise,
            $done,
            $this->from === null ? null : $this->from - $start,
            $this->to === null ? null : $this->to - $start,
        );
    }
}
