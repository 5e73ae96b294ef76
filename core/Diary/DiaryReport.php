<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Days\Course;
use KelpTub\Core\Days\CourseDay;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Days\Planting;
use KelpTub\Core\Log\Compared;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\Suspicion;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\Looks;
use KelpTub\Core\Season\SeasonState;
use LogicException;
use stdClass;

/** The diary of one copy of a tub as it is sent: keys and units of the file format, dates as texts. */
final readonly class DiaryReport
{
    /** So many readings are drawn; of more every so many-th is. */
    private const MOST_READINGS = 1500;

    private function __construct(private CopyDiary $diary)
    {
    }

    /** @param  list<Item>  $next  what is due */
    public static function of(CopyDiary $diary, array $next): stdClass
    {
        $report = new self($diary);
        $state = $diary->state();
        $plantings = $report->plantings();

        return (object) [
            'tub' => $diary->copy->tub->id,
            'copy' => $diary->copy->copy,
            'now' => Dates::moment($diary->now),
            'plantings' => $plantings,
            'courses' => array_map($report->course(...), $diary->forecast()),
            'band' => $report->ends(),
            'readings' => $report->readings(),
            'today' => $state === null ? null : $report->today($state),
            'learned' => (new Lesson($diary))->toReport(),
            'findings' => array_map(static fn (Suspicion $s): stdClass => $s->toReport(), $diary->suspicions()),
            'next' => array_map(fn (Item $i): stdClass => $i->toReport($diary->today()), $next),
            'harvest' => $report->harvest($plantings),
        ];
    }

    /**
     * Its plantings with their stages, and how its water goes by date: for a band over the weeks.
     *
     * @param  bool  $withRange  with the least and the most that there may be of it, which are two forecasts more
     */
    public static function band(CopyDiary $diary, bool $withRange = true): stdClass
    {
        $report = new self($diary);
        $state = $diary->state();
        $ends = $withRange ? $diary->band() : [];

        return (object) [
            'plantings' => $report->plantings(),
            'courses' => array_map(static fn (Course $course): stdClass => (object) [
                'start' => Dates::text($course->start),
                'volume_l' => self::litres($course->days),
                ...($ends === [] ? [] : $report->range($course, ...$ends)),
            ], $diary->forecast()),
            'readings' => array_values(array_map(
                static fn (Compared $c): stdClass => (object) ['at' => Dates::moment($c->entry->time()), 'litres' => $c->found->litres],
                array_filter($diary->compared(), static fn (Compared $c): bool => $c->found->litres !== null),
            )),
            'fill_l' => $diary->copy->feed->tub->water->working(),
            'dry_l' => $diary->copy->feed->tub->water->working() - $diary->copy->feed->tub->water->usable(),
            'today' => $state === null ? null : $report->today($state),
        ];
    }

    /**
     * @param  list<Course>  $thirsty
     * @param  list<Course>  $sparing
     * @return array{low_l: list<float>, high_l: list<float>} of each of its days
     */
    private function range(Course $course, array $thirsty, array $sparing): array
    {
        $low = $high = [];
        foreach ($course->days as $day) {
            $ends = [$this->diary->dayOf($thirsty, $day->date), $this->diary->dayOf($sparing, $day->date)];
            $litres = [...self::litres([$day]), ...self::litres(array_values(array_filter($ends)))];
            $low[] = min($litres);
            $high[] = max($litres);
        }

        return ['low_l' => $low, 'high_l' => $high];
    }

    /**
     * @param  list<CourseDay>  $days
     * @return ($days is non-empty-list ? non-empty-list<float> : list<float>)
     */
    private static function litres(array $days): array
    {
        return array_map(static fn (CourseDay $day): float => round($day->after->volume, 3), $days);
    }

    /** How a tub stands today, by itself. */
    public static function todayOf(CopyDiary $diary, SeasonState $state): stdClass
    {
        return (new self($diary))->today($state);
    }

    /** What was learned and what the log seems to say, by itself. */
    public static function diagnosis(CopyDiary $diary): stdClass
    {
        return (object) [
            'learned' => (new Lesson($diary))->toReport(),
            'findings' => array_map(static fn (Suspicion $s): stdClass => $s->toReport(), $diary->suspicions()),
        ];
    }

    /** @return list<stdClass> each with its stages by date, in the garden's order */
    private function plantings(): array
    {
        $growing = $this->diary->copy->courses()->growing;
        $by = [];
        foreach ($this->diary->forecast() as $course) {
            foreach ($course->fates as $i => $fate) {
                $planting = $growing[$i]->planting;
                $known = $by[$planting->id] ?? null;
                $one = $this->planting($course, $planting, $i);
                if ($known !== null) {
                    $one->plants += $known->plants;
                    $one->cups = [...$known->cups, ...$one->cups];
                    $one->harvest_g += $known->harvest_g;
                    $one->picked_g = $known->picked_g;
                }
                $by[$planting->id] = $one;
            }
        }

        return array_values($by);
    }

    private function planting(Course $course, Planting $p, int $i): stdClass
    {
        $growing = $this->diary->copy->courses()->growing[$i];
        $fate = $course->fates[$i];
        $today = $course->on(min($course->end(), max($course->start, $this->diary->today())));
        $stand = $today?->standOf($i);

        return (object) [
            'id' => $p->id,
            'crop' => $p->crop->key,
            'name' => $p->crop->name,
            'habit' => $p->crop->habit,
            'plants' => $growing->share->plants,
            'cups' => $growing->cups,
            'sown' => $p->sown === null ? null : Dates::text($p->sown),
            'sprouts' => $p->sprouts() === null ? null : Dates::text($p->sprouts()),
            'set_in' => Dates::text($p->setIn),
            'begins' => Dates::text($p->begins()),
            'harvest' => $fate->firstHarvest === null ? null : Dates::text((int) ceil($fate->firstHarvest)),
            'last' => $fate->lastHarvest === null ? null : Dates::text((int) ceil($fate->lastHarvest)),
            'died' => $fate->died === null ? null : Dates::text($fate->died),
            'dry' => ($dry = $course->driesFrom(max($course->start, $growing->from()))) === null ? null : Dates::text($dry),
            'cleared' => $growing->to === null ? null : Dates::text($growing->to),
            'harvest_g' => $fate->harvest,
            'picked_g' => $this->picked($p),
            'way' => $today === null || $stand === null ? null : $today->tub()->stands[$stand]->wayTo($today->before->ages[$stand]),
            'note' => $p->note,
        ];
    }

    /** What was picked of a planting by its entries, g; null where nothing was weighed. */
    private function picked(Planting $planting): ?float
    {
        $grams = null;
        $only = count(array_unique(array_map(
            static fn (Growing $g): string => $g->planting->id,
            $this->diary->copy->courses()->growing,
        ))) === 1;
        foreach ($this->diary->entries->all as $entry) {
            if ($entry->harvest !== null && ($entry->planting === $planting->id || ($entry->planting === null && $only))) {
                $grams = ($grams ?? 0.0) + $entry->harvest;
            }
        }

        return $grams;
    }

    private function course(Course $course): stdClass
    {
        return (object) [
            'start' => Dates::text($course->start),
            'fill_l' => $course->fill->volume,
            'days' => array_map($this->day(...), $course->days),
        ];
    }

    private function day(CourseDay $day): stdClass
    {
        $fare = $day->day->fare();

        return (object) [
            'date' => Dates::text($day->date),
            'level_mm' => $day->level(),
            'volume_l' => $day->after->volume,
            'air_gap_mm' => $day->gap(),
            'ec_ms_cm' => $day->after->ec(),
            'ph' => $day->after->ph,
            'water_c' => $day->after->water,
            'oxygen_mg_l' => $day->day->oxygen,
            'use_l' => $day->day->use,
            'top_up_l' => $day->day->topUp,
            'change' => $day->day->change,
            'stronger' => $day->day->stronger,
            'fare' => $fare,
            'morning' => ! $day->isVisitedEarly ? null : (object) [
                'level_mm' => $day->tub()->reservoir->levelFor($day->before->volume),
                'ec_ms_cm' => $day->before->ec(),
                'ph' => $day->before->ph,
            ],
        ];
    }

    /** @return list<stdClass> by day: the ends of level and EC as the forecast stood before each reading */
    private function ends(): array
    {
        [$thirsty, $hungry] = $this->diary->band();
        $band = [];
        foreach ($this->diary->forecast() as $course) {
            foreach ($course->days as $day) {
                $most = $this->diary->dayOf($thirsty, $day->date);
                $least = $this->diary->dayOf($hungry, $day->date);
                $levels = array_map(static fn (CourseDay $d): float => $d->level(), array_filter([$most, $day, $least]));
                $ecs = array_filter(
                    array_map(static fn (CourseDay $d): ?float => $d->after->ec(), array_filter([$most, $day, $least])),
                    is_float(...),
                );
                $band[] = (object) [
                    'date' => Dates::text($day->date),
                    'level_mm' => [min($levels), max($levels)],
                    'ec_ms_cm' => $ecs === [] ? null : [min($ecs), max($ecs)],
                ];
            }
        }

        return $band;
    }

    /** @return list<stdClass> */
    private function readings(): array
    {
        $compared = $this->diary->compared();
        $every = (int) ceil(max(1, count($compared)) / self::MOST_READINGS);

        return array_values(array_map(
            static fn (Compared $c): stdClass => (object) [
                'id' => $c->entry->id,
                'at' => Dates::moment($c->entry->time()),
                'level_mm' => $c->entry->level,
                'litres' => $c->found->litres,
                'ec_ms_cm' => $c->entry->ec,
                'ph' => $c->entry->ph,
                'water_c' => $c->entry->celsius,
                'top_up_l' => $c->entry->topUp,
                'change' => $c->entry->change,
                'from' => $c->entry->from,
                'forecast_l' => $c->forecast->litres,
                'forecast_ec_ms_cm' => $c->forecast->ec,
            ],
            array_filter($compared, static fn (int $i): bool => $i % $every === 0 || $i === count($compared) - 1, ARRAY_FILTER_USE_KEY),
        ));
    }

    private function today(SeasonState $state): stdClass
    {
        $day = $this->diary->dayOf($this->diary->forecast(), $this->diary->today());
        $tub = $day?->tub() ?? throw new LogicException('Nothing stands in the tub today.');
        $level = $tub->reservoir->levelFor($state->volume);

        return (object) [
            'date' => Dates::text($this->diary->today()),
            'level_mm' => $level,
            'volume_l' => $state->volume,
            'air_gap_mm' => $tub->gapAt($level),
            'ec_ms_cm' => $state->ec(),
            'wanted_ec_ms_cm' => $tub->mixing->ecAt($state->stage),
            'ph' => $state->ph,
            'water_c' => $state->water,
            'stage' => $state->stage->value,
            'looks' => Looks::of($day->day, null)->value,
            'growth' => self::growth($day),
            'low' => $tub->isLow($state->volume),
        ];
    }

    private static function growth(CourseDay $day): float
    {
        $leader = $day->tub()->leader($day->before->ages, $day->before->died);

        return $leader === null ? 1.0 : max(0.0, min(1.0, $day->tub()->stands[$leader]->wayTo($day->before->ages[$leader])));
    }

    /**
     * What came against what was forecast; null where nothing was picked.
     *
     * @param  list<stdClass>  $plantings
     */
    private function harvest(array $plantings): ?stdClass
    {
        $grams = $picked = 0.0;
        $entries = array_filter($this->diary->entries->all, static fn (Entry $e): bool => $e->harvest !== null || $e->picked !== null);
        if ($entries === []) {
            return null;
        }
        foreach ($entries as $entry) {
            $grams += $entry->harvest ?? 0.0;
            $picked += $entry->picked ?? 0;
        }
        $plants = array_sum(array_map(static fn (Growing $g): int => $g->share->plants, $this->diary->copy->courses()->growing));
        $poured = $this->poured();

        return (object) [
            'grams' => $grams,
            'picked' => (int) $picked,
            'forecast_g' => array_sum(array_map(static fn (stdClass $p): float => $p->harvest_g, $plantings)),
            'plants' => $plants,
            'a_plant_g' => $plants > 0 ? $grams / $plants : null,
            'water_l' => $poured,
            'a_litre_g' => $poured > 0.0 ? $grams / $poured : null,
        ];
    }

    /** Litres that were poured in up to now. */
    private function poured(): float
    {
        $litres = 0.0;
        foreach ($this->diary->base() as $course) {
            $litres += $course->start <= $this->diary->today() ? $course->fill->volume : 0.0;
            foreach ($course->days as $day) {
                if ($day->date <= $this->diary->today()) {
                    $litres += $day->day->change ? $day->tub()->fill : $day->day->topUp;
                }
            }
        }

        return $litres;
    }
}
