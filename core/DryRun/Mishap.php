<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Season\SeasonEvent;

/** Something that goes wrong on a day of a season. */
final readonly class Mishap
{
    /**
     * @param  int  $days  how long it lasts by itself; of what goes on until it is put right, 0
     * @param  float  $amount  °C warmer, hours without power, share of the air that still comes, mS/cm too strong, or plants that are
     *                         missing; 0 where it has none
     */
    public function __construct(public MishapKind $kind, public int $day, public int $days = 0, public float $amount = 0.0)
    {
    }

    /** @param  array<string, int>  $until  the day on which each kind of mishap was put right */
    public function goesOn(int $day, array $until): bool
    {
        $end = $this->kind->lasts() ? $until[$this->kind->value] ?? PHP_INT_MAX : $this->day + $this->days;

        return $day >= $this->day && $day < $end;
    }

    /** Of a power cut, the hours without power by the end of a day. */
    public function hoursBy(int $day): float
    {
        return SeasonEvent::hoursCut($this->amount, $this->day, $day);
    }

    /** The day on which eyes tell it first; null where they do not. */
    public function shownOn(): ?int
    {
        $after = $this->kind->shownAfter();

        return $after === null ? null : $this->day + $after;
    }
}
