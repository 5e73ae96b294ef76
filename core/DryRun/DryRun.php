<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Season\Deeds;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonEvent;
use KelpTub\Core\Season\SeasonEventKind;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\Weather;

/**
 * A season lived through: a design, a seed and what is decided, played by the same step as the forecast. Played again it is the same to
 * the last digit. Source: handbook, log (Dry run).
 */
final readonly class DryRun
{
    /** Who keeps a tub by habit looks at it so often, days; still water once a week. */
    private const LOOKS = 4;

    private const LOOKS_STILL = 7;

    /** What goes on for good, days. */
    private const FOR_GOOD = Season::MOST_DAYS;

    public function __construct(public SeasonTub $tub, public Weather $weather, public Luck $luck)
    {
    }

    /** As its habits have it: what goes wrong is put right when somebody looks next and eyes tell it. */
    public function byHabit(): SeasonRun
    {
        return $this->run(null, $this->mended(null));
    }

    /** Kept by its habits by somebody who sees each day what eyes tell. */
    public function byCare(): SeasonRun
    {
        $until = [];
        foreach ($this->luck->mishaps as $mishap) {
            $until[$mishap->kind->value] = $this->whenSomebodyComes($mishap->shownOn() ?? $mishap->day);
        }

        return $this->run(null, $until);
    }

    /** The most that there was to be had of this seed, g: kept with care, what cannot be undone poured away, or left alone. */
    public function most(): float
    {
        $care = $this->byCare();
        $poured = self::writtenOut($care);
        foreach ($this->luck->mishaps as $mishap) {
            if (in_array($mishap->kind, [MishapKind::Visitor, MishapKind::Brim, MishapKind::Unrinsed], true)) {
                $poured[] = new Decision($this->whenSomebodyComes($mishap->day + 1), Act::Change);
            } elseif ($mishap->kind->remedy() !== null) {
                $poured[] = new Decision($this->whenSomebodyComes($mishap->shownOn() ?? $mishap->day), $mishap->kind->remedy());
            }
        }
        usort($poured, static fn (Decision $a, Decision $b): int => $a->day <=> $b->day);
        $runs = [$care, $this->byHabit(), $this->decided($poured), $this->decided([])];

        return max(array_map(static fn (SeasonRun $run): float => $run->harvested(), $runs));
    }

    /**
     * What was put in through a season, as decisions.
     *
     * @return list<Decision>
     */
    public static function writtenOut(SeasonRun $run): array
    {
        $decisions = [];
        foreach ($run->days as $day) {
            if ($day->change) {
                $decisions[] = new Decision($day->day, Act::Change);
            } elseif ($day->topUp > 0.0) {
                $decisions[] = new Decision($day->day, Act::TopUp, $day->topUp, $day->topUpEc);
            }
            if ($day->stronger > 0.0) {
                $decisions[] = new Decision($day->day, Act::Strengthen, ec: $day->ec());
            }
        }

        return $decisions;
    }

    /**
     * As it is decided, and nothing else is done.
     *
     * @param  list<Decision>  $decisions  in their order
     */
    public function decided(array $decisions): SeasonRun
    {
        return $this->run($this->byDay($decisions), $this->mended($decisions));
    }

    /**
     * What the tub's habit would have done on each evening of a decision, as it stood then.
     *
     * @param  list<Decision>  $decisions
     * @return array<int, Deeds>
     */
    public function advised(array $decisions): array
    {
        $player = new Player($this->luck->mishaps, $this->byDay($decisions), $until = $this->mended($decisions));
        $this->season($until)->run($player);

        return $player->advised;
    }

    /**
     * The same with one mishap put right on a day.
     *
     * @param  list<Decision>|null  $decisions  null for the habits
     */
    public function mending(?array $decisions, Mishap $mishap, int $day): SeasonRun
    {
        return $this->run(
            $decisions === null ? null : $this->byDay($decisions),
            [...$this->mended($decisions), $mishap->kind->value => $this->whenSomebodyComes($day)],
        );
    }

    /**
     * The day on which each kind of mishap is put right: by who keeps the tub by habit when they look and eyes tell it, by who decides when
     * they do so.
     *
     * @param  list<Decision>|null  $decisions  null for the habits
     * @return array<string, int>
     */
    public function mended(?array $decisions): array
    {
        $every = $this->tub->system === GrowingSystem::Passive ? self::LOOKS_STILL : self::LOOKS;
        $until = [];
        foreach ($this->luck->mishaps as $mishap) {
            $kind = $mishap->kind;
            $shown = $mishap->shownOn();
            $on = match (true) {
                ! $kind->lasts() => null,
                $decisions === null => $shown === null ? null : $this->whenSomebodyComes((int) ceil(($shown + 1) / $every) * $every),
                default => $this->firstOf($decisions, $kind->remedy(), $mishap->day),
            };
            $until += $on === null ? [] : [$kind->value => $on];
        }

        return $until;
    }

    /** @param  list<Decision>  $decisions */
    private function firstOf(array $decisions, ?Act $act, int $from): ?int
    {
        foreach ($decisions as $decision) {
            if ($decision->act === $act && $decision->day >= $from && $this->whenSomebodyComes($decision->day) === $decision->day) {
                return $decision->day;
            }
        }

        return null;
    }

    /** How warm the air is on a day, °C. */
    public function airOn(int $day): float
    {
        $air = $this->weather->on($day)->air;
        foreach ($this->luck->mishaps as $mishap) {
            $air += $mishap->kind === MishapKind::HeatWave && $mishap->goesOn($day, []) ? $mishap->amount : 0.0;
        }

        return $air;
    }

    /** The first day from one on on which somebody can come: nobody does in a missed week. */
    public function whenSomebodyComes(int $day): int
    {
        foreach ($this->luck->mishaps as $mishap) {
            if ($mishap->kind === MishapKind::MissedWeek && $day >= $mishap->day && $day < $mishap->day + $mishap->days) {
                return $mishap->day + $mishap->days;
            }
        }

        return $day;
    }

    /**
     * @param  list<Decision>  $decisions
     * @return array<int, list<Decision>>
     */
    private function byDay(array $decisions): array
    {
        $by = [];
        foreach ($decisions as $decision) {
            $by[$decision->day][] = $decision;
        }

        return $by;
    }

    /**
     * @param  array<int, list<Decision>>|null  $decisions  by day; null for the habits
     * @param  array<string, int>  $until  the day on which each kind of mishap is put right: from its evening on all is well
     */
    private function run(?array $decisions, array $until): SeasonRun
    {
        return $this->season($until)->run(new Player($this->luck->mishaps, $decisions, $until));
    }

    /** The tub as it really stands: with fewer plants where seeds did not come up. */
    private function lived(): SeasonTub
    {
        $sown = Luck::sown($this->tub);
        foreach ($this->luck->mishaps as $mishap) {
            if ($sown !== null && $mishap->kind === MishapKind::NotUp) {
                $stands = $this->tub->stands;
                $stands[$sown] = $stands[$sown]->without((int) $mishap->amount);

                return $this->tub->standing(array_values($stands));
            }
        }

        return $this->tub;
    }

    /** @param  array<string, int>  $until */
    private function season(array $until): Season
    {
        $events = [];
        foreach ($this->luck->mishaps as $mishap) {
            $days = ($until[$mishap->kind->value] ?? $mishap->day + self::FOR_GOOD) - $mishap->day;
            $event = match ($mishap->kind) {
                MishapKind::HeatWave => new SeasonEvent(SeasonEventKind::Heat, $mishap->day, $mishap->days, $mishap->amount),
                MishapKind::PowerCut => new SeasonEvent(SeasonEventKind::PowerCut, $mishap->day, 1, $mishap->amount),
                MishapKind::ValveShut, MishapKind::Diaphragm, MishapKind::CloggedStone => $days > 0
                    ? new SeasonEvent(SeasonEventKind::WindDown, $mishap->day, $days, $mishap->amount)
                    : null,
                default => null,
            };
            $events = $event === null ? $events : [...$events, $event];
        }

        return new Season($this->lived(), $this->weather, $events, $this->luck->thirst, $this->luck->appetite);
    }
}
