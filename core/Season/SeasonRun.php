<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use Closure;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\Stage;

/** A season as it went: its days, and what they come to. Litres, mS/cm, mm, mg/L, °C, days, g. */
final class SeasonRun
{
    private const ROUNDING_L = 1.0e-9;

    /** Of days that differ by less the first is the lowest, or the highest: mS/cm, mg/L. */
    private const SAME = 1.0e-9;

    public readonly SeasonTub $tub;

    /** @var list<Dose>|null of each part, for the first fill, top-ups, changes and strengthening */
    private ?array $doses = null;

    private float|false|null $dryDay = false;

    private ?float $startOxygen = null;

    /** @param  list<SeasonDay>  $days */
    public function __construct(private readonly Season $season, public readonly SeasonState $start, public readonly array $days)
    {
        $this->tub = $season->tub;
    }

    /** The state from which a day goes out. */
    public function before(int $index): SeasonState
    {
        return $index <= 0 ? $this->start : $this->days[$index - 1]->after;
    }

    private function end(): SeasonState
    {
        return $this->before(count($this->days));
    }

    /** Level in mm at the end of a day; of day −1 at the start. */
    public function level(int $day): float
    {
        return $day < 0 ? $this->tub->reservoir->levelFor($this->start->volume) : $this->days[$day]->level;
    }

    public function gap(int $day): float
    {
        return $this->tub->gapAt($this->level($day));
    }

    /** Level at a moment, straight between the ends of days; null after the last of them. */
    public function levelAt(float $day): ?float
    {
        $row = (int) ceil($day - self::ROUNDING_L) - 1;
        if ($row >= count($this->days)) {
            return null;
        }

        return $row < 0 ? $this->level(-1) : $this->level($row - 1) + ($day - $row) * ($this->level($row) - $this->level($row - 1));
    }

    /** Oxygen at the end of a day, or as low as a power cut brings it on that day; null of a passive tub, or a dry one. */
    public function oxygen(int $day): ?float
    {
        return $day < 0
            ? ($this->startOxygen ??= $this->balance(-1)?->steady())
            : $this->days[$day]->oxygen;
    }

    /** What oxygen comes in and goes out at the end of a day, the air as planned; null of a passive tub, or a dry one. */
    public function balance(int $day): ?OxygenBalance
    {
        $state = $day < 0 ? $this->start : $this->days[$day]->after;

        return $state->isDry() ? null : $this->tub->breath?->balance(
            $this->season->rootDemand($state->ages, $day < 0 ? array_fill(0, count($state->ages), true) : $this->days[$day]->living()),
            $state->water,
            $state->ec() ?? 0.0,
            $this->level($day),
        );
    }

    /** The age of the oldest living plant at the end of a day, from transplanting; null where none is living. */
    public function age(SeasonDay $day): ?float
    {
        $age = null;
        $living = $day->living();
        foreach ($day->after->ages as $i => $grown) {
            if ($living[$i]) {
                $age = max($age ?? -INF, $this->tub->stands[$i]->sinceTransplanting($grown));
            }
        }

        return $age;
    }

    /** How far the plants that the tub is fed for have come on a day: 0 at transplanting, 1 from the first harvest on. */
    public function growth(SeasonDay $day): float
    {
        $stand = $this->tub->leader($day->after->ages, $day->after->died)
            ?? $this->tub->leader($this->start->ages, $this->start->died)
            ?? 0;

        return max(0.0, min(1.0, $this->tub->stands[$stand]->wayTo($day->after->ages[$stand])));
    }

    public function looks(int $index): Looks
    {
        return Looks::of($this->days[$index], $this->days[$index - 1] ?? null);
    }

    /** How the plants look when they come to their first harvest, or on the last day of those that never do. */
    public function looksAtHarvest(): Looks
    {
        $harvest = $this->harvestDay();
        $index = min(count($this->days) - 1, $harvest === null ? PHP_INT_MAX : (int) floor($harvest));

        return $index < 0 ? Looks::Well : $this->looks($index);
    }

    /** The first day on which nothing is left; null where there always is something. */
    public function dryOn(): ?int
    {
        foreach ($this->days as $day) {
            if ($day->after->isDry()) {
                return $day->day;
            }
        }

        return null;
    }

    /** The first day on whose evening the water is below its lowest useful level; null where it never is. */
    public function firstBelowUsable(): ?int
    {
        foreach ($this->days as $day) {
            if ($this->tub->isLow($day->after->volume)) {
                return $day->day;
            }
        }

        return null;
    }

    /**
     * The fractional day on which the tub, with no visit at all, passes its lowest useful level: within a day straight by its use, before
     * any rain; null if it never does.
     */
    public function dryDay(): ?float
    {
        return $this->dryDay === false ? ($this->dryDay = $this->fallsTo($this->tub->dryLitres)) : $this->dryDay;
    }

    /** The same of any volume, litres. */
    public function fallsTo(float $least): ?float
    {
        // Until the first visit it is the season itself.
        foreach ($this->days as $i => $day) {
            $before = $this->before($i)->volume;
            if ($before - $day->use < $least - self::ROUNDING_L) {
                return $day->day + self::part($before - $least, $day->use);
            }
            if ($day->isVisited()) {
                return $this->season->dryFrom($this->before($i), $least);
            }
        }

        return null;
    }

    /** Part of a day's use after which so much is gone. */
    public static function part(float $litres, float $use): float
    {
        return max(0.0, min(1.0, $litres / $use));
    }

    /** The day, fractional, on which every crop has come to its first harvest; null where one never does. */
    public function harvestDay(): ?float
    {
        return $this->end()->harvestDay();
    }

    /** The day, fractional, of the last harvest; null where a crop never comes to its own. */
    public function lastDay(): ?float
    {
        return $this->end()->lastDay();
    }

    /** The day of a stand's first harvest, and of its last. */
    public function harvestOf(int $stand): ?float
    {
        return $this->end()->harvests[$stand];
    }

    public function lastOf(int $stand): ?float
    {
        return $this->end()->lasts[$stand];
    }

    /**
     * What a stand drinks up to a moment, within a day straight.
     *
     * @param  float|null  $until  all of the season where it is null
     */
    public function drunkBy(int $stand, ?float $until): float
    {
        $row = $until === null ? count($this->days) : (int) floor($until);
        $drunk = $this->before(min($row, count($this->days)))->drunk[$stand];

        return isset($this->days[$row]) && $until !== null
            ? $drunk + ($until - $row) * ($this->days[$row]->after->drunk[$stand] - $drunk)
            : $drunk;
    }

    /** The day, fractional, on which a stand comes to an age; null where it never does. */
    public function dayOfAge(int $stand, float $age): ?float
    {
        foreach ($this->days as $i => $day) {
            [$from, $to] = [$this->before($i)->ages[$stand], $day->after->ages[$stand]];
            if ($to >= $age && $to > $from) {
                return $day->day + max(0.0, $age - $from) / ($to - $from);
            }
        }

        return null;
    }

    /** Half-way from transplanting to the first harvest of the stand that the tub is fed for; null where it never comes so far. */
    public function halfWay(): ?float
    {
        $stand = $this->tub->leader($this->start->ages, $this->start->died) ?? 0;
        $use = $this->tub->stands[$stand]->use;

        return $this->dayOfAge($stand, ($use->firstDay + $use->harvestDay) / 2);
    }

    /** The day on which a stand died; null where it did not. */
    public function diedOn(int $stand): ?int
    {
        return $this->end()->died[$stand];
    }

    /** The first day on which any of the stands died; null where none did. */
    public function killedOn(): ?int
    {
        $died = array_filter($this->end()->died, static fn (?int $day): bool => $day !== null);

        return $died === [] ? null : min($died);
    }

    /**
     * What is picked of a stand, g: its yield by how well it fared over its life; nothing where its first harvest never came, or found it
     * dry. Source: handbook, season (harvest).
     */
    public function harvest(int $stand): float
    {
        $end = $this->end();

        return $end->harvests[$stand] === null || ! $end->bears[$stand] || $end->ages[$stand] <= 0.0
            ? 0.0
            : $this->tub->stands[$stand]->yield() * $end->thriven[$stand] / $end->ages[$stand];
    }

    /** What is picked of all of them, g. */
    public function harvested(): float
    {
        return (float) array_sum(array_map($this->harvest(...), array_keys($this->tub->stands)));
    }

    /**
     * What is drunk up to a moment, within a day straight.
     *
     * @param  float|null  $until  all of the season where it is null
     */
    public function drunk(?float $until = null): float
    {
        return $this->upTo($until, static fn (SeasonDay $day): float => $day->use);
    }

    /** What would be drunk up to a moment if there always were enough, within a day straight. */
    public function thirst(float $until): float
    {
        return $this->upTo($until, static fn (SeasonDay $day): float => $day->thirst);
    }

    /** @param  Closure(SeasonDay): float  $litres  of a day */
    private function upTo(?float $until, Closure $litres): float
    {
        $sum = 0.0;
        foreach ($this->days as $day) {
            if ($until !== null && $day->day >= $until) {
                break;
            }
            $sum += $litres($day) * ($until === null ? 1.0 : min(1.0, $until - $day->day));
        }

        return $sum;
    }

    /** The most that is drunk on one day. */
    public function mostDrunk(): float
    {
        $most = 0.0;
        foreach ($this->days as $day) {
            $most = $day->use > $most ? $day->use : $most;
        }

        return $most;
    }

    /**
     * What is put in up to a day, that day's not in it.
     *
     * @param  float|null  $day  all of the season where it is null
     * @return array{litres: float, top_ups: int, changes: int}
     */
    public function putInBefore(?float $day): array
    {
        [$litres, $topUps, $changes] = [0.0, 0, 0];
        foreach ($this->days as $d) {
            if ($day !== null && $d->day >= $day) {
                break;
            }
            $litres += $d->topUp;
            $topUps += $d->topUp > 0.0 ? 1 : 0;
            $changes += $d->change ? 1 : 0;
        }

        return ['litres' => $litres, 'top_ups' => $topUps, 'changes' => $changes];
    }

    /** @return list<Dose> of each part, for the first fill, top-ups, changes and strengthening */
    public function doses(): array
    {
        return $this->doses ??= $this->dosed();
    }

    /**
     * Doses go straight with litres, so that what is poured at one stage is made up at once.
     *
     * @return list<Dose>
     */
    private function dosed(): array
    {
        $filled = $topped = $raised = array_fill_keys(array_column(Stage::cases(), 'value'), 0.0);
        if ($this->start->day === 0) {
            $filled[$this->start->stage->value] = $this->start->volume;
        }
        foreach ($this->days as $day) {
            $stage = $day->after->stage->value;
            $filled[$stage] += $day->change ? $this->tub->fill : 0.0;
            $topped[$stage] += $day->topUp;
            $raised[$stage] += $day->change ? 0.0 : $day->stronger;
        }
        $mixing = $this->tub->mixing;
        $doses = $this->start->day === 0 ? $mixing->doses(0.0, $this->start->stage) : [];
        foreach (Stage::cases() as $stage) {
            $of = $stage->value;
            foreach ([
                $filled[$of] > 0.0 ? $mixing->doses($filled[$of], $stage) : [],
                $topped[$of] > 0.0 ? $mixing->doses($topped[$of], $stage, $this->tub->policy->strength->share()) : [],
                $raised[$of] > 0.0 ? $mixing->dosesUp($raised[$of], 1.0, $stage) : [],
            ] as $more) {
                $doses = $more === [] ? $doses : Dose::sum($doses, $more);
            }
        }

        return $doses;
    }

    /** @return list<Dose> what is put in on the evening of a day */
    public function dosesOn(int $index): array
    {
        $day = $this->days[$index];
        $mixing = $this->tub->mixing;
        if ($day->change) {
            return $mixing->doses($this->tub->fill, $day->after->stage);
        }
        $doses = $day->stronger > 0.0 ? $mixing->dosesUp($day->stronger, 1.0, $day->after->stage) : [];

        return $day->topUp > 0.0
            ? Dose::sum($doses, $mixing->doses($day->topUp, $day->after->stage, $this->tub->policy->strength->share()))
            : $doses;
    }

    /** Litres of all fills and top-ups. */
    public function poured(): float
    {
        $litres = $this->start->day === 0 ? $this->start->volume : 0.0;
        foreach ($this->days as $day) {
            $litres += $day->change ? $this->tub->fill : $day->topUp;
        }

        return $litres;
    }

    public function spilled(): float
    {
        return (float) array_sum(array_map(static fn (SeasonDay $d): float => $d->spill, $this->days));
    }

    /** Visits a week that the policy asks for. */
    public function attention(): float
    {
        $visits = count(array_filter($this->days, static fn (SeasonDay $d): bool => $d->isVisited()));

        return $this->days === [] ? 0.0 : $visits / count($this->days) * 7;
    }

    /**
     * The lowest and the highest EC with their days; null where none is known. The start is day 0; what is left of a
     * tub below its lowest useful level does not count.
     *
     * @return array{low: float, low_day: int, high: float, high_day: int}|null
     */
    public function ecRange(): ?array
    {
        $start = $this->start->ec();
        if ($start === null) {
            return null;
        }
        $ecs = [];
        foreach ($this->days as $day) {
            $ecs[$day->day] = $this->tub->isLow($day->after->volume) ? null : $day->ec();
        }
        $start = [$start, $this->start->day];
        [$low, $lowDay] = self::lowest($ecs, $start);
        [$high, $highDay] = self::lowest($ecs, $start, -1);

        return ['low' => $low, 'low_day' => $lowDay, 'high' => $high, 'high_day' => $highDay];
    }

    /**
     * The lowest oxygen and its day; null of a passive tub.
     *
     * @return array{float, int}|null
     */
    public function oxygenLow(): ?array
    {
        $oxygen = [];
        foreach ($this->days as $day) {
            $oxygen[$day->day] = $day->oxygen;
        }

        return self::lowest($oxygen);
    }

    /**
     * The lowest of what each day has, and the first day that comes as low.
     *
     * @template T of array{float, int}|null
     *
     * @param  array<int, float|null>  $days
     * @param  T  $start  what it was, and when, before the first of them
     * @param  int  $sign  −1 for the highest
     * @return (T is null ? array{float, int}|null : array{float, int})
     */
    private static function lowest(array $days, ?array $start = null, int $sign = 1): ?array
    {
        [$lowest, $first, $on] = [$start[0] ?? null, $start[0] ?? null, $start[1] ?? null];
        foreach ($days as $day => $is) {
            if ($is === null || ($lowest !== null && $sign * ($is - $lowest) >= 0.0)) {
                continue;
            }
            $lowest = $is;
            if ($first === null || $sign * ($is - $first) < -self::SAME) {
                [$first, $on] = [$is, $day];
            }
        }

        return $lowest === null || $on === null ? null : [$lowest, $on];
    }

    /**
     * By how much the EC of each day is over, or under, what plants like at that stage; days on which it is within are left out,
     * and those below the lowest useful level, which are said otherwise.
     *
     * @return array<int, float> by day: over is above 0, under below it
     */
    public function outOfEc(): array
    {
        $out = [];
        $target = $this->tub->mixing->target;
        foreach ($target === null ? [] : $this->days as $day) {
            $ec = $day->ec();
            if ($ec === null || $this->tub->isLow($day->after->volume)) {
                continue;
            }
            [$low, $high] = $target?->likes($day->after->stage) ?? [0.0, INF];
            if ($ec > $high + 1.0e-9 || $ec < $low - 1.0e-9) {
                $out[$day->day] = $ec > $high ? $ec - $high : $ec - $low;
            }
        }

        return $out;
    }

    /** Days on which oxygen is under a mark, mg/L. */
    public function daysShortOfOxygen(float $mark): int
    {
        return count(array_filter($this->days, static fn (SeasonDay $d): bool => ($d->oxygen ?? INF) < $mark));
    }

    public function lowestGap(): ?float
    {
        $gaps = array_map(fn (SeasonDay $d): float => $this->gap($d->day), $this->days);

        return $gaps === [] ? null : min($gaps);
    }
}
