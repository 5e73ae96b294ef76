<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Feed\Dose;

/** A season as it went: its days, and what they come to. Litres, mS/cm, mm, mg/L, °C. */
final class SeasonRun
{
    /** EC so far over the window is held against a grower, mS/cm. */
    public const STRONG_BY = 0.3;

    private const MINUTES_AN_HOUR = 60.0;

    /** @var array<int, float> level by day; −1 is the start */
    private array $levels = [];

    /** @var array<int, float|null> */
    private array $oxygen = [];

    /**
     * @param  float|null  $startEc  of the first fill; null where the feed's EC is not known
     * @param  list<SeasonDay>  $days
     * @param  list<Dose>  $doses  of each part, for the first fill, top-ups and changes
     * @param  float  $poured  litres of all fills and top-ups
     * @param  list<WhatIf>  $whatIfs
     */
    public function __construct(
        public readonly SeasonTub $tub,
        public readonly ?float $startEc,
        public readonly array $days,
        public readonly array $doses,
        public readonly float $poured,
        private readonly array $whatIfs,
    ) {
    }

    /** The same days in the same tub with other air. */
    public function breathing(SeasonTub $tub): self
    {
        $run = new self($tub, $this->startEc, $this->days, $this->doses, $this->poured, $this->whatIfs);
        $run->levels = &$this->levels;

        return $run;
    }

    /** Level in mm at the end of a day; of day −1 at the start. */
    public function level(int $day): float
    {
        return $this->levels[$day] ??= $this->tub->reservoir->levelFor($day < 0 ? $this->tub->fill : $this->days[$day]->volume);
    }

    public function gap(int $day): float
    {
        return $this->tub->gapAt($this->level($day));
    }

    /** Oxygen at the end of a day, or as low as a power cut brings it on that day; null of a passive tub, or a dry one. */
    public function oxygen(int $day): ?float
    {
        if (! array_key_exists($day, $this->oxygen)) {
            $this->oxygen[$day] = $this->breathed($day);
        }

        return $this->oxygen[$day];
    }

    private function breathed(int $day): ?float
    {
        $balance = $this->balance($day);
        $hours = $this->hoursCut($day);

        return $hours > 0.0 && $balance !== null
            ? $balance->afterMinutes($hours * self::MINUTES_AN_HOUR, $day < 0 ? $this->tub->fill : $this->days[$day]->volume)
            : $balance?->steady();
    }

    /** What oxygen comes in and goes out at the end of a day; null of a passive tub, or a dry one. */
    public function balance(int $day): ?OxygenBalance
    {
        $tub = $this->tub;
        if ($tub->breath === null || ($day < 0 ? $tub->fill : $this->days[$day]->volume) <= 0.0) {
            return null;
        }
        $demand = 0.0;
        foreach ($tub->draws as $draw) {
            $demand += $draw->oxygenOn($day + 1.0);
        }

        return $tub->breath->balance(
            $demand,
            $day < 0 ? $tub->warmth->start : $this->days[$day]->water,
            ($day < 0 ? $this->startEc : $this->days[$day]->ec()) ?? 0.0,
            $this->level($day),
            $this->air($day),
        );
    }

    /** Share of the pump's air that comes on a day. */
    private function air(int $day): float
    {
        $share = 1.0;
        foreach ($this->whatIfs as $event) {
            $share *= $event->kind === WhatIfKind::WindDown && $event->isOn($day) ? $event->amount : 1.0;
        }

        return $share;
    }

    /** Hours without power up to some time on a day: a long cut goes on over several. */
    private function hoursCut(int $day): float
    {
        $hours = 0.0;
        foreach ($this->whatIfs as $event) {
            if ($event->kind === WhatIfKind::PowerCut && $day >= $event->from && ($day - $event->from) * 24 < $event->amount) {
                $hours = max($hours, min($event->amount, ($day - $event->from + 1) * 24));
            }
        }

        return $hours;
    }

    /** The first day on which nothing is left; null where there always is something. */
    public function dryOn(): ?int
    {
        foreach ($this->days as $day) {
            if ($day->volume <= 0.0) {
                return $day->day;
            }
        }

        return null;
    }

    /** The first day on whose evening the water is below its lowest useful level; null where it never is. */
    public function firstBelowUsable(): ?int
    {
        foreach ($this->days as $day) {
            if ($day->volume < $this->tub->fill - $this->tub->usable - 1.0e-9) {
                return $day->day;
            }
        }

        return null;
    }

    /**
     * What is put in up to a day, that day's not in it.
     *
     * @return array{litres: float, top_ups: int, changes: int}
     */
    public function putInBefore(float $day): array
    {
        [$litres, $topUps, $changes] = [0.0, 0, 0];
        foreach ($this->days as $d) {
            if ($d->day >= $day) {
                break;
            }
            $litres += $d->topUp;
            $topUps += $d->topUp > 0.0 ? 1 : 0;
            $changes += $d->change ? 1 : 0;
        }

        return ['litres' => $litres, 'top_ups' => $topUps, 'changes' => $changes];
    }

    public function drunk(): float
    {
        $litres = 0.0;
        foreach ($this->days as $day) {
            $litres += $day->use;
        }

        return $litres;
    }

    public function spilled(): float
    {
        $litres = 0.0;
        foreach ($this->days as $day) {
            $litres += $day->spill;
        }

        return $litres;
    }

    /** Visits a week that the policy asks for. */
    public function attention(): float
    {
        $visits = 0;
        foreach ($this->days as $day) {
            $visits += $day->isVisited() ? 1 : 0;
        }

        return $this->days === [] ? 0.0 : $visits / count($this->days) * 7;
    }

    /**
     * The lowest and the highest EC with their days; null where none is known. The start is day 0.
     *
     * @return array{low: float, low_day: int, high: float, high_day: int}|null
     */
    public function ecRange(): ?array
    {
        if ($this->startEc === null) {
            return null;
        }
        $range = ['low' => $this->startEc, 'low_day' => 0, 'high' => $this->startEc, 'high_day' => 0];
        foreach ($this->days as $day) {
            $ec = $day->ec();
            if ($ec !== null && $ec < $range['low']) {
                [$range['low'], $range['low_day']] = [$ec, $day->day];
            }
            if ($ec !== null && $ec > $range['high']) {
                [$range['high'], $range['high_day']] = [$ec, $day->day];
            }
        }

        return $range;
    }

    /**
     * The lowest oxygen and its day; null of a passive tub.
     *
     * @return array{float, int}|null
     */
    public function oxygenLow(): ?array
    {
        $low = null;
        foreach ($this->days as $day) {
            $oxygen = $this->oxygen($day->day);
            if ($oxygen !== null && ($low === null || $oxygen < $low[0])) {
                $low = [$oxygen, $day->day];
            }
        }

        return $low;
    }

    /**
     * Days on which the EC is over, or under, a mark, from a day on.
     *
     * @return list<int>
     */
    public function daysOver(float $mark, float $from = 0.0): array
    {
        return $this->daysWhere(static fn (float $ec): bool => $ec > $mark, $from);
    }

    /** @return list<int> */
    public function daysUnder(float $mark, float $from = 0.0): array
    {
        return $this->daysWhere(static fn (float $ec): bool => $ec < $mark, $from);
    }

    /**
     * @param  callable(float): bool  $is
     * @return list<int>
     */
    private function daysWhere(callable $is, float $from): array
    {
        $days = [];
        foreach ($this->days as $day) {
            $ec = $day->ec();
            if ($day->day >= $from && $ec !== null && $is($ec)) {
                $days[] = $day->day;
            }
        }

        return $days;
    }

    /** Days on which oxygen is under a mark, mg/L. */
    public function daysShortOfOxygen(float $mark): int
    {
        return count(array_filter($this->days, fn (SeasonDay $d): bool => ($this->oxygen($d->day) ?? INF) < $mark));
    }

    public function lowestGap(): ?float
    {
        $gaps = array_map(fn (SeasonDay $d): float => $this->gap($d->day), $this->days);

        return $gaps === [] ? null : min($gaps);
    }
}
