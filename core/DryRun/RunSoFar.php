<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Season\SeasonRun;
use stdClass;

/**
 * A season that is lived through, as far as it has come: what was read on the days on which somebody was there, and what the forecast has
 * next. It tells nothing that is hidden. Keys and units of the file format. Source: handbook, log (Dry run).
 */
final readonly class RunSoFar
{
    private const A_WEEK = 7;

    private SeasonRun $played;

    private Senses $senses;

    /** @var array<string, int> */
    private array $mended;

    /**
     * @param  SeasonRun  $planned  as it is forecast
     * @param  list<Decision>  $decisions  up to the day
     * @param  bool  $meter  whether the grower owns one
     */
    public function __construct(private DryRun $dry, private SeasonRun $planned, private array $decisions, bool $meter)
    {
        $this->played = $dry->decided($decisions);
        $this->senses = new Senses($dry->luck, $meter);
        $this->mended = $dry->mended($decisions);
    }

    /** The last day that it has. */
    public function lastDay(): int
    {
        return count($this->played->days) - 1;
    }

    /** What a grower reads on an evening. */
    public function seen(int $day): stdClass
    {
        $index = min($day, $this->lastDay());
        $row = $this->played->days[$index];
        $read = $this->senses->of($this->played, $index, $this->mended);

        return (object) [
            'day' => $row->day,
            ...get_object_vars($read),
            'air_c' => round($this->dry->airOn($row->day)),
            'rain_mm' => round($this->dry->weather->on($row->day)->rain),
            'growth' => $this->played->growth($row),
            'top_up_l' => $row->topUp,
            'change' => $row->change,
        ];
    }

    /** @return list<int> the days on which somebody was there, up to one */
    public function visits(int $day): array
    {
        // Who sets plants in has been there.
        $days = [0, $day];
        foreach ($this->decisions as $decision) {
            $isThere = $decision->act !== Act::Away && $this->dry->whenSomebodyComes($decision->day) === $decision->day;
            if ($isThere && $decision->day <= $day) {
                $days[] = $decision->day;
            }
        }
        $days = array_values(array_unique($days));
        sort($days);

        return $days;
    }

    /** Some days on, on which somebody can come. */
    public function dayAfter(int $day, int $days): int
    {
        $back = $day;
        foreach ($this->decisions as $decision) {
            $back = $decision->act === Act::Away && $decision->day === $day ? $day + $decision->days : $back;
        }

        return min($this->lastDay(), $this->dry->whenSomebodyComes(max($day + $days, $back + 1)));
    }

    /**
     * Where somebody comes to who goes on by a day, a week, to the next thing or to the end, and the looks that they take on the way: who
     * goes on to the next thing has looked on every day until then, who leaves it to the end on none.
     *
     * @param  string|null  $on  day, week, next or end; null to stay
     * @return array{int, list<Decision>}
     */
    public function goOn(int $day, ?string $on): array
    {
        $to = match ($on) {
            'day' => $this->dayAfter($day, 1),
            'week' => $this->dayAfter($day, self::A_WEEK),
            'next' => $this->nextThing($day),
            'end' => $this->lastDay(),
            default => min($day, $this->lastDay()),
        };
        $arrives = $on !== null && $on !== 'end' && $to > $day ? [new Decision($to, Act::Look)] : [];

        return [$to, [...($on === 'next' ? $this->looks($day, $to) : []), ...$arrives]];
    }

    /**
     * Somebody who only looks, on each day after one up to another.
     *
     * @return list<Decision>
     */
    public function looks(int $after, int $to): array
    {
        $looks = [];
        for ($day = $this->dayAfter($after, 1); $day < $to; $day = $this->dayAfter($day, 1)) {
            $looks[] = new Decision($day, Act::Look);
        }

        return $looks;
    }

    /** The next day after one on which the forecast has something to be done, or eyes tell something else than on that day. */
    public function nextThing(int $day): int
    {
        $was = self::told($this->seen($day));
        for ($next = $this->dayAfter($day, 1); $next < $this->lastDay(); $next = $this->dayAfter($next, 1)) {
            if ($this->forecast($next) !== null || self::told($this->seen($next)) !== $was) {
                return $next;
            }
        }

        return $this->lastDay();
    }

    /** @return array{string, string|null, bool, bool, int, bool} what eyes tell */
    private static function told(stdClass $seen): array
    {
        return [$seen->leaves, $seen->bubbles, $seen->green, $seen->tips, $seen->missing, $seen->level_mm === 0];
    }

    /** What the forecast has for an evening; null where nothing. */
    private function forecast(int $day): ?stdClass
    {
        $row = $this->planned->days[$day] ?? null;

        return match (true) {
            $row === null => null,
            $row->change => (object) ['day' => $day, 'do' => Act::Change->value, 'litres' => null],
            $row->topUp > 0.0 => (object) ['day' => $day, 'do' => Act::TopUp->value, 'litres' => $row->topUp],
            $row->stronger > 0.0 => (object) ['day' => $day, 'do' => Act::Strengthen->value, 'litres' => null],
            default => null,
        };
    }

    /** @param  bool  $isOver  whether its grower has done all that they will */
    public function toReport(int $day, bool $isOver = false): stdClass
    {
        $day = min($day, $this->lastDay());
        $tub = $this->dry->tub;
        $seen = array_map($this->seen(...), $this->visits($day));
        $next = null;
        for ($ahead = $day; $next === null && $ahead < count($this->planned->days); $ahead++) {
            $next = $this->forecast($ahead);
        }

        return (object) [
            'day' => $day,
            'days' => count($this->planned->days),
            'over' => $isOver || $day >= $this->lastDay(),
            'seen' => $seen,
            'line_mm' => $tub->reservoir->levelFor($tub->fill),
            'lowest_mm' => $tub->reservoir->levelFor($tub->dryLitres),
            'cup_bottom_mm' => $tub->cupBottom,
            'water_l' => $this->played->start->volume + array_sum(array_map(
                static fn (stdClass $row): float => $row->change ? $tub->fill : $row->top_up_l,
                $seen,
            )),
            'minutes' => array_sum(array_map(static fn (Decision $d): int => $d->act->minutes(), $this->decisions)),
            'may' => array_column(Act::at($tub->breath !== null, $tub->mixing->target !== null), 'value'),
            'next' => $next,
            'guide' => Guide::of($seen[count($seen) - 1], $tub, $tub->mixing->ecAt($this->played->days[$day]->after->stage), $next),
        ];
    }
}
