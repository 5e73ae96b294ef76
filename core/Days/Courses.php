<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use Closure;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonDay;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\Visits;
use KelpTub\Core\Season\Weather;

/**
 * Runs what is planted in one copy of a tub by date: its season is the sum of its plantings, each at its own age; where one is set in or
 * taken out the season goes on with what stands there then, from the water as it is. When nothing lives any more the next planting begins
 * with a fresh fill. Source: handbook, log (a forecast has a date).
 */
final readonly class Courses
{
    /**
     * @param  list<Growing>  $growing
     * @param  Closure(list<CropShare>, list<int>): SeasonTub  $tub  with these plants in it, set in on these days
     * @param  Closure(int): Weather  $weather  from a day on
     */
    public function __construct(
        public array $growing,
        private Closure $tub,
        private Closure $weather,
        private Visits $visits = new Visits,
    ) {
    }

    /**
     * @param  Factors  $factors  how the plants drink and eat against their figures, and from which day on
     * @param  int|null  $until  the last day that is wanted, where not all of them are
     * @return list<Course> one after another
     */
    public function run(Factors $factors = new Factors, ?int $until = null): array
    {
        $courses = [];
        $day = null;
        // What is being raised by then is to be told of, though it is set in later.
        $raised = array_filter($this->growing, static fn (Growing $g): bool => $g->planting->begins() <= $until);
        $until = $until === null ? null : max([$until, ...array_map(static fn (Growing $g): int => $g->from(), $raised)]);
        while (($start = $this->next($day)) !== null && ($until === null || $start <= $until)) {
            $courses[] = $course = $this->course($start, $factors, $until);
            $day = max($course->end(), $start);
        }

        return $courses;
    }

    /** The first day after another on which something is set in; the first of all where none is given. */
    private function next(?int $after): ?int
    {
        $days = [];
        foreach ($this->growing as $growing) {
            $stands = $growing->to === null || $growing->to > $growing->from();
            if ($stands && ($after === null || $growing->from() > $after)) {
                $days[] = $growing->from();
            }
        }

        return $days === [] ? null : min($days);
    }

    private function course(int $start, Factors $factors, ?int $until): Course
    {
        $weather = ($this->weather)($start);
        $who = $this->on($start);
        $season = $this->season($who, $start, $start, $weather, $factors);
        $state = $fill = $season->start();
        // Visits are told by the calendar; a season counts from its first fill.
        $keeper = $this->visits->keeper($start, $season->tub->policy);
        $days = $fates = [];
        for ($date = $start; $until === null || $date <= $until; $date++) {
            $now = $this->on($date);
            // What is set in when nothing else is left in the tub begins with a fresh fill.
            if (array_intersect($who, $now) === [] || $this->isOver($season, $state, $who, $date)) {
                break;
            }
            if ($now !== $who || $date === $factors->from) {
                $state = $now === $who ? $state : $state->planted(array_map(
                    static fn (int $i): ?int => ($at = array_search($i, $who, true)) === false ? null : $at,
                    $now,
                ));
                $who = $now;
                $season = $this->season($who, $date, $start, $weather, $factors);
            }
            foreach ($this->visits->morning($date) as $deeds) {
                $state = $season->visited($state, $deeds);
            }
            $days[] = $day = $this->day($date, $season, $state, $season->step($state, $keeper), $who);
            $state = $day->after;
            foreach ($who as $stand => $i) {
                $fates[$i] = self::fate($season, $state, $stand, $start);
            }
        }

        return new Course($start, $fill, $days, $fates);
    }

    /** @param  list<int>  $who  what stands in the tub on that day */
    private function season(array $who, int $date, int $start, Weather $weather, Factors $factors): Season
    {
        $tub = ($this->tub)(
            array_map(fn (int $i): CropShare => $this->growing[$i]->share, $who),
            array_map(fn (int $i): int => $this->growing[$i]->from() - $start, $who),
        );
        [$drinks, $eats] = $factors->on($date);

        return new Season($tub, $weather, [], $drinks, $eats);
    }

    /**
     * Whether nothing lives in the tub any more, or what lives has had two years.
     *
     * @param  list<int>  $who
     */
    private function isOver(Season $season, SeasonState $state, array $who, int $date): bool
    {
        $since = array_map(fn (int $i): int => $this->growing[$i]->from(), $who);

        return ! $season->tub->lives($state) || $date - max([0, ...$since]) >= Season::MOST_DAYS;
    }

    /** @return list<int> what stands in the tub on a day */
    private function on(int $date): array
    {
        return array_keys(array_filter($this->growing, static fn (Growing $g): bool => $g->isOn($date)));
    }

    /** @param  list<int>  $who */
    private function day(int $date, Season $season, SeasonState $before, SeasonDay $day, array $who): CourseDay
    {
        $after = $day->after;
        $evening = $this->visits->evening($date);
        // Nobody comes to a dry tub, but one who writes down that they did has come.
        if ($evening !== null && $evening->areWet() && ! $day->isVisited()) {
            $after = $season->visited($after, $evening);
        }
        $after = $this->visits->after($date)?->of($after) ?? $after;

        return new CourseDay($date, $before, $day, $after, $season, $who, $this->visits->morning($date) !== []);
    }

    private static function fate(Season $season, SeasonState $state, int $stand, int $start): Fate
    {
        $of = $season->tub->stands[$stand];
        // What stands dry when it would come to its first harvest comes to none.
        $bears = $state->bears[$stand];
        $first = $bears ? $state->harvests[$stand] : null;
        $last = $bears ? $state->lasts[$stand] : null;

        return new Fate(
            $first === null ? null : $start + $first,
            $last === null ? null : $start + $last,
            $state->died[$stand] === null ? null : $start + $state->died[$stand],
            $first === null || $state->ages[$stand] <= 0.0
                ? 0.0
                : $of->yield() * $state->thriven[$stand] / $state->ages[$stand],
        );
    }
}
