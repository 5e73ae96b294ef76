<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Units\QuantityWriter;

/** What a diagnosis goes by: the entries of one copy of a tub, what was forecast for them, and the tub as it is now. */
final readonly class LogCase
{
    /**
     * @param  float  $now  in days, as entries count
     * @param  list<Entry>  $entries  in order
     * @param  list<Compared>  $readings  in order
     * @param  list<Interval>  $uses  between readings of the level
     * @param  list<Crop>  $crops  that live in it
     * @param  float  $way  of those that it is fed for, from transplanting to the first harvest
     * @param  int  $age  days since the first of them was set in
     * @param  int|null  $sownDays  days since the last of them was sown; null where none was
     * @param  int|null  $changeDue  the day on which the water is to be changed next; null where the calendar has none
     * @param  array{low: float, high: float, target: float}|null  $ph  to be held
     * @param  float|null  $sourcePh  of the water
     * @param  bool  $isHard  whether the water is
     * @param  bool  $pebbles  whether cups are filled with them
     * @param  bool  $letsLightIn  whether light gets to the water
     * @param  string  $pump  what bubbles it, in words; empty where nothing does
     */
    public function __construct(
        public float $now,
        public array $entries,
        public array $readings,
        public array $uses,
        public SeasonTub $tub,
        public SeasonState $state,
        public array $crops,
        public float $way,
        public int $age,
        public ?int $sownDays,
        public ?int $changeDue,
        public ?array $ph,
        public ?float $sourcePh,
        public bool $isHard,
        public bool $pebbles,
        public bool $letsLightIn,
        public string $pump,
        public QuantityWriter $write,
    ) {
    }

    public function last(): ?Compared
    {
        return $this->readings[count($this->readings) - 1] ?? null;
    }

    /** The last reading of something, or one before it: `lastWith(static fn (Entry $e): ?float => $e->ph)`. */
    public function lastWith(callable $of, int $before = 0): ?Compared
    {
        for ($i = count($this->readings) - 1; $i >= 0; $i--) {
            if ($of($this->readings[$i]->entry) !== null && $before-- === 0) {
                return $this->readings[$i];
            }
        }

        return null;
    }

    /** @return list<Entry> those of the last days */
    public function recent(float $days): array
    {
        for ($from = count($this->entries); $from > 0 && $this->entries[$from - 1]->time() >= $this->now - $days; $from--);

        return array_slice($this->entries, $from);
    }

    /** The last entry of the last days that shows a sign; null where none does. */
    public function sign(Sign $sign, float $days = 7.0): ?Entry
    {
        foreach (array_reverse($this->recent($days)) as $entry) {
            if (in_array($sign, $entry->signs, true)) {
                return $entry;
            }
        }

        return null;
    }

    public function litres(): float
    {
        return $this->state->volume;
    }

    public function stage(): Stage
    {
        return $this->state->stage;
    }

    /** EC that the tub should have now, mS/cm; null where the feed's is not known. */
    public function wantedEc(): ?float
    {
        return $this->tub->mixing->ecAt($this->stage());
    }

    /** @return array{float, float}|null EC in which the plants are at ease now */
    public function likesEc(): ?array
    {
        return $this->tub->mixing->target?->likes($this->stage());
    }
}
