<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Days\Course;
use KelpTub\Core\Days\CourseDay;
use KelpTub\Core\Days\Factors;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Log\Compared;
use KelpTub\Core\Log\Diagnosis;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\Learned;
use KelpTub\Core\Log\Learning;
use KelpTub\Core\Log\LogCase;
use KelpTub\Core\Log\Suspicion;
use KelpTub\Core\Season\Found;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\Visits;
use KelpTub\Core\Units\QuantityWriter;

/**
 * One copy of a tub as it is planted and as its log tells: how it fared, what was learned, how it goes on, and what that means. Garden,
 * entries and a moment in, diary out. Source: handbook, log.
 */
final class CopyDiary
{
    /** @var list<Course>|null */
    private ?array $base = null;

    /** @var list<Course>|null */
    private ?array $forecast = null;

    private ?Intervals $intervals = null;

    private ?Visits $visits = null;

    /** @var array{Learned|null, Learned|null}|null */
    private ?array $learned = null;

    /** @var list<Compared>|null */
    private ?array $compared = null;

    /** @var list<Suspicion>|null */
    private ?array $suspicions = null;

    /** The last evening on which nobody comes but as the log tells: until today what is not written down was not done. */
    private readonly int $kept;

    /**
     * @param  Entries  $entries  of this copy, up to now
     * @param  float  $now  in days, as `Dates` counts
     * @param  int|null  $until  the last day that is wanted, where not all of them are
     */
    public function __construct(
        public readonly CopyPlan $copy,
        public readonly Entries $entries,
        public readonly float $now,
        private readonly ?int $until = null,
    ) {
        $this->kept = (int) floor($now) - 1;
    }

    private function visits(): Visits
    {
        return $this->visits ??= $this->copy->visits($this->entries->all, $this->kept);
    }

    /** @return list<Course> by the crops' own figures, restarted from each reading */
    public function base(): array
    {
        return $this->base ??= $this->copy->courses($this->visits())->run(until: $this->until);
    }

    /** @return list<Course> with what was learned from the last reading on */
    public function forecast(): array
    {
        return $this->forecast ??= $this->learns()
            ? $this->runWith($this->uses()?->isUsed() === true ? $this->uses()->factor : 1.0, $this->eats())
            : $this->base();
    }

    /**
     * The two ends of what use may be off by: what was learned narrows it from the last reading on.
     *
     * @return array{list<Course>, list<Course>} drinking most, and least
     */
    public function band(): array
    {
        $use = $this->uses();
        [$low, $high] = $use !== null && $use->isUsed() ? [$use->low, $use->high] : [1 - Season::RANGE, 1 + Season::RANGE];
        $eats = $this->eats();

        return [
            $this->runWith($high, $eats * (1 - Season::RANGE), [1 + Season::RANGE, 1 - Season::RANGE]),
            $this->runWith($low, $eats * (1 + Season::RANGE), [1 - Season::RANGE, 1 + Season::RANGE]),
        ];
    }

    private function learns(): bool
    {
        return $this->uses()?->isUsed() === true || $this->eatsLearned()?->isUsed() === true;
    }

    private function eats(): float
    {
        $eats = $this->eatsLearned();

        return $eats !== null && $eats->isUsed() ? $eats->factor : 1.0;
    }

    /**
     * @param  array{float, float}  $before
     * @return list<Course>
     */
    private function runWith(float $drinks, float $eats, array $before = [1.0, 1.0]): array
    {
        $last = $this->lastReading();
        $from = match (true) {
            $last === null => null,
            $last->isMorning() => $last->day,
            default => $last->day + 1,
        };

        return $this->copy->courses($this->visits())->run(
            new Factors($drinks, $eats, $from, $before),
            $this->until,
        );
    }

    public function lastReading(): ?Entry
    {
        foreach (array_reverse($this->entries->all) as $entry) {
            if ($entry->isReading()) {
                return $entry;
            }
        }

        return null;
    }

    public function intervals(): Intervals
    {
        return $this->intervals ??= new Intervals($this->copy->visitsOfLog(), $this->entries->all, $this->base());
    }

    /** How its plants drink against their figures; null where no two levels tell. */
    public function uses(): ?Learned
    {
        return ($this->learned ??= [
            Learning::of($this->intervals()->uses()),
            Learning::of($this->intervals()->uptakes()),
        ])[0];
    }

    /** How they eat. */
    public function eatsLearned(): ?Learned
    {
        $this->uses();

        return $this->learned[1] ?? null;
    }

    /** @return list<Compared> each reading beside what was forecast for it */
    public function compared(): array
    {
        return $this->compared ??= $this->compare();
    }

    /** @return list<Compared> */
    private function compare(): array
    {
        $compared = [];
        foreach ($this->entries->all as $entry) {
            $day = ! $entry->isReading() && ! $entry->isWet() ? null : $this->dayOf($this->base(), $entry->day);
            if ($day === null) {
                continue;
            }
            $forecast = $entry->isMorning() ? $this->morning($day) : self::evening($day);
            $found = $this->copy->visitsOfLog()->found($entry) ?? new Found;
            $tub = $day->tub();
            $compared[] = new Compared(
                $entry,
                $found,
                $forecast,
                $tub->gapAt($entry->level ?? $tub->reservoir->levelFor((float) $forecast->litres)),
                $tub->gapAt($tub->reservoir->levelFor((float) $forecast->litres)),
            );
        }

        return $compared;
    }

    /** How a tub was to stand in the morning of a day: as the evening before left it. */
    private function morning(CourseDay $day): Found
    {
        $before = $this->dayOf($this->base(), $day->date - 1);
        $state = $before === null || $before->date >= $day->date ? $day->before : $before->after;

        return new Found($state->volume, $state->ec(), $state->water, $state->ph);
    }

    /** How it was to stand in the evening, before anything was done. */
    private static function evening(CourseDay $day): Found
    {
        $row = $day->day;
        $litres = max(0.0, $day->before->volume - $row->use + $row->rain - $row->spill);
        $salt = $day->before->salt === null ? null : $day->before->salt - ($row->uptake ?? 0.0);
        $ph = $day->before->ph;

        return new Found(
            $litres,
            $salt === null || $litres <= 0.0 ? null : $salt / $litres,
            null,
            $ph === null ? null : $day->tub()->acidity->afterDay($ph),
        );
    }

    /** @param  list<Course>  $courses */
    public function dayOf(array $courses, int $date): ?CourseDay
    {
        foreach ($courses as $course) {
            $day = $course->on($date);
            if ($day !== null) {
                return $day;
            }
        }

        return null;
    }

    public function today(): int
    {
        return (int) floor($this->now);
    }

    /** How the tub stands now: between morning and evening straight. Null where nothing stands in it. */
    public function state(): ?SeasonState
    {
        $day = $this->dayOf($this->forecast(), $this->today());
        if ($day === null) {
            return null;
        }
        $last = $this->entries->last();
        if ($last !== null && $last->day === $this->today() && ! $last->isMorning()) {
            return $day->after;
        }
        $part = $this->now - floor($this->now);

        return $day->before->asRead(
            max(0.0, $day->before->volume - $part * $day->day->use),
            self::straight($day->before->ec(), self::evening($day)->ec, $part),
            $day->before->water + $part * ($day->day->after->water - $day->before->water),
            $day->before->ph,
        );
    }

    private static function straight(?float $from, ?float $to, float $part): ?float
    {
        return $from === null || $to === null ? $from : $from + $part * ($to - $from);
    }

    /** @return list<int> those growing that stand in the tub on a day, and live */
    public function living(CourseDay $day): array
    {
        return array_values(array_filter(
            $day->who,
            static fn (int $i): bool => ($stand = $day->standOf($i)) !== null && $day->after->died[$stand] === null
                && ! $day->tub()->stands[$stand]->isDone($day->before->ages[$stand]),
        ));
    }

    /** @return list<Suspicion> what the log seems to say; nothing where nothing stands in the tub, or nothing was written */
    public function suspicions(): array
    {
        if ($this->suspicions === null) {
            $case = $this->logCase();
            $this->suspicions = $case === null || $this->entries->isEmpty() ? [] : Diagnosis::of($case);
        }

        return $this->suspicions;
    }

    public function logCase(): ?LogCase
    {
        $day = $this->dayOf($this->forecast(), $this->today());
        $state = $this->state();
        if ($day === null || $state === null) {
            return null;
        }
        $growing = $this->copy->courses()->growing;
        $living = array_map(static fn (int $i): Growing => $growing[$i], $this->living($day));
        $tub = $day->tub();
        $leader = $tub->leader($day->before->ages, $day->before->died);
        $sown = array_filter(array_map(static fn (Growing $g): ?int => $g->planting->sown, $living), is_int(...));
        $set = array_map(static fn (Growing $g): int => $g->from(), $living);
        $wishes = $this->copy->water();

        return new LogCase(
            $this->now,
            $this->entries->all,
            $this->compared(),
            $this->intervals()->uses(),
            $tub,
            $state,
            array_map(static fn (Growing $g): Crop => $g->planting->crop, $living),
            $leader === null ? 1.0 : $tub->stands[$leader]->wayTo($day->before->ages[$leader]),
            $set === [] ? 0 : $this->today() - min($set),
            $sown === [] ? null : $this->today() - max($sown),
            $this->changeDue(),
            $this->copy->feed->feed?->ph->aim($this->copy->feed->tub->plants->mix->phWindow()),
            $wishes->ph,
            $wishes->isHard(),
            $this->copy->tub->planting->pebbles,
            $this->copy->tub->body->letsLightIn(),
            $this->copy->pump(),
            new QuantityWriter($this->copy->units()),
        );
    }

    /** The day on which the water is to be changed next by the calendar, by when it last was; null where the calendar has none. */
    public function changeDue(): ?int
    {
        $every = $this->copy->tub->water->change->days();
        foreach ($every === null ? [] : $this->forecast() as $course) {
            $today = $course->on($this->today());
            if ($today !== null) {
                return $course->start + $today->before->changed + $every - 1;
            }
        }

        return null;
    }
}
