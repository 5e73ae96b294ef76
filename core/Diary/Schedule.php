<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Days\Course;
use KelpTub\Core\Days\CourseDay;
use KelpTub\Core\Days\Fate;
use KelpTub\Core\Days\FreeDays;
use KelpTub\Core\Days\Frost;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Days\Planting;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Garden\Setting;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * What is to be done at one copy of a tub on which day, from sowing to clearing. Water goes by the forecast, restarted from each reading;
 * what was done and written down stands in place of what was planned. Source: handbook, log (days); figures marked † are estimates.
 */
final class Schedule
{
    /** What was planned longer ago and never written down is taken as done, days. */
    private const FORGOTTEN_DAYS = 14;

    /** † Seedlings are thinned so many days after they are up. */
    private const THIN_AFTER_DAYS = 5;

    /** Days of getting used to wind and sun before plants stand out of doors. */
    private const HARDEN_DAYS = 7;

    /** † Parts of the way to the first harvest. */
    private const PINCH_AT = 0.4;

    private const SUPPORT_AT = 0.3;

    /** † Days from one picking to the next. */
    private const PICK_DAYS = ['leaf' => 7, 'herb' => 7, 'fruit' => 4, 'flower' => 4];

    /** A look so soon after something that was written down tells nothing new, days. */
    private const SEEN_DAYS = 1;

    /** An entry so near to what was planned tells of it, days. */
    private const WINDOW_DAYS = 4;

    private readonly QuantityWriter $write;

    /** @var list<Growing> */
    private readonly array $growing;

    private readonly Frost $frost;

    /** @var list<Item> */
    private array $items = [];

    /** @var array<string, int> how often each has been, over all courses: the number in its key */
    private array $count = [];

    /** @var array<string, true> entries that stand for something that was planned */
    private array $told = [];

    /** @var array<int, list<Entry>> what was put in before noon, by day */
    private readonly array $mornings;

    /** @var array<string, int> the first day on which a look tells something new, by its key */
    private array $unseen = [];

    /** @var array<string, true> entries of a morning that stand for themselves */
    private array $early = [];

    public function __construct(private readonly CopyDiary $diary, private readonly FreeDays $free)
    {
        $this->write = new QuantityWriter($diary->copy->units());
        $this->growing = $diary->copy->courses()->growing;
        $mornings = [];
        foreach ($diary->entries->all as $entry) {
            if ($entry->isMorning() && ($entry->change || $entry->topUp > 0.0)) {
                $mornings[$entry->day][] = $entry;
            }
        }
        $this->mornings = $mornings;
        $this->frost = Frost::of($diary->copy->garden()->document->site ?? new stdClass);
    }

    /** @return list<Item> from one day to another, in order; what is late first */
    public function items(int $from, int $to): array
    {
        $this->items = [];
        $this->told = $this->early = [];
        $this->count = ['fill' => 0, 'top-up' => 0, 'change' => 0, 'strengthen' => 0];
        $courses = $this->diary->forecast();
        foreach ($courses as $course) {
            $this->water($course, min($from, $this->diary->today()) - self::WINDOW_DAYS, $to);
            $this->plantings($course);
            $this->frosts($course);
            $this->dry($course);
        }
        $this->checks($courses, $to);
        $wanted = array_values(array_filter($this->items, static fn (Item $i): bool => $i->date <= $to));
        $items = (new VisitDays($this->diary, $this->free, $this->unseen))->of($wanted);
        $items = array_values(array_filter($items, fn (Item $i): bool => $i->date >= $from && $i->date <= $to && $this->isWorthSaying($i)));
        usort($items, static fn (Item $a, Item $b): int => [$a->date, $a->key] <=> [$b->date, $b->key]);

        return $items;
    }

    /** What is past and was never written down is late for two weeks, then it is taken as done. */
    private function isWorthSaying(Item $item): bool
    {
        return $item->done !== null || $item->date >= $this->diary->today() - self::FORGOTTEN_DAYS;
    }

    private function tub(): string
    {
        return $this->diary->copy->tub->id;
    }

    private function waterKey(string $kind, int $number): string
    {
        return sprintf('%s.%d/%s/%d', $this->tub(), $this->diary->copy->copy, $kind, $number);
    }

    /** What is long past before the first day that is wanted is counted, for the numbers of what follows, and not worked out. */
    private function water(Course $course, int $from, int $to): void
    {
        $first = $course->days[0] ?? null;
        if ($first === null) {
            return;
        }
        $ids = $this->ids($first);
        $doses = $first->tub()->mixing->doses($course->fill->volume, $course->fill->stage);
        $isFilled = ($this->diary->entries->last()->day ?? 0) > $course->start;
        $this->items = $isFilled ? $this->items : [...$this->items, new Item(
            $this->waterKey('fill', ++$this->count['fill']), $course->start, 'fill', $this->tub(), $this->diary->copy->copy, $ids,
            'Fill '.$this->write->volume($course->fill->volume), 'The first fill, with the plants.', '',
            $course->fill->volume, self::parts($doses), $course->fill->ec(),
        )];
        foreach ($course->days as $day) {
            $kind = match (true) {
                $day->day->change => 'change',
                $day->day->topUp > 0.0 => 'top-up',
                $day->day->stronger > 0.0 => 'strengthen',
                default => null,
            };
            $this->morning($day, $kind);
            if ($day->date > $to || $kind === null) {
                continue;
            }
            $number = ++$this->count[$kind];
            // What the log tells of is done, on its day or late; what comes after it is due anew. Days past that it does not tell of are
            // not forecast.
            $told = $this->told($day->date, fn (Entry $e): bool => $e->day >= $day->date && $this->mayTellOf($e, $kind, $number)
                && match ($kind) {
                    'change' => $e->change,
                    'top-up' => $e->topUp > 0.0,
                    default => $e->doses !== [],
                });
            if ($told !== null) {
                $this->told[$told->id] = true;
                $this->items[] = $this->watering($kind, $number, $day, $course)->doneBy($told->id, $told->day);
            } elseif ($day->date >= $from && ($day->date >= $this->diary->today() || $this->diary->entries->isEmpty())) {
                $this->add($this->watering($kind, $number, $day, $course));
            }
        }
    }

    /** Whether an entry may be of the one of a kind that has this number: one that names another is not. */
    private function mayTellOf(Entry $entry, string $kind, int $number): bool
    {
        return ! isset($this->early[$entry->id]) && ($this->named($entry, $kind) ?? $number) === $number;
    }

    /** Which of a kind an entry says that it was, by its number: what is ticked says so. */
    private function named(Entry $entry, string $kind): ?int
    {
        $before = sprintf('%s.%d/%s/', $this->tub(), $this->diary->copy->copy, $kind);
        foreach ($entry->did as $key) {
            if (str_starts_with($key, $before)) {
                return (int) substr($key, strlen($before));
            }
        }

        return null;
    }

    /**
     * What was put in before noon is done, and has its number, though nothing was left to do in the evening.
     *
     * @param  string|null  $evening  what that was planned for: done in the morning it is that
     */
    private function morning(CourseDay $day, ?string $evening): void
    {
        foreach ($this->mornings[$day->date] ?? [] as $entry) {
            $kind = $entry->change ? 'change' : 'top-up';
            if (isset($this->told[$entry->id]) || $kind === $evening) {
                continue;
            }
            $this->early[$entry->id] = true;
            $number = $this->named($entry, $kind) ?? $this->count[$kind] + 1;
            $this->count[$kind] = max($this->count[$kind], $number);
            $litres = $entry->change ? $day->tub()->fill : $entry->topUp;
            $done = new Item(
                $this->waterKey($kind, $number), $day->date, $kind, $this->tub(), $this->diary->copy->copy,
                $this->ids($day), ($entry->change ? 'Change the water: ' : 'Top up ').$this->write->volume($litres), '', '', $litres,
            );
            $this->items[] = $done->doneBy($entry->id, $entry->day);
        }
    }

    private function watering(string $kind, int $number, CourseDay $day, Course $course): Item
    {
        $mixing = $day->tub()->mixing;
        $stage = $day->after->stage;
        $litres = match ($kind) {
            'change' => $day->tub()->fill,
            'top-up' => $day->day->topUp,
            default => null,
        };
        $doses = match ($kind) {
            'change' => $mixing->doses((float) $litres, $stage),
            'top-up' => Dose::sum(
                $day->day->stronger > 0.0 ? $mixing->dosesUp($day->day->stronger, 1.0, $stage) : [],
                $mixing->doses((float) $litres, $stage, $this->diary->copy->tub->water->strength->share()),
            ),
            default => $mixing->dosesUp($day->day->stronger, 1.0, $stage),
        };

        return new Item(
            $this->waterKey($kind, $number), $day->date, $kind, $this->tub(), $this->diary->copy->copy, $this->ids($day),
            match ($kind) {
                'change' => 'Change the water: '.$this->write->volume((float) $litres),
                'top-up' => 'Top up '.$this->write->volume((float) $litres),
                default => 'Stir feed in',
            },
            match ($kind) {
                'change' => 'What plants leave behind gathers in old water.',
                'top-up' => 'By then so much is gone.',
                default => 'They have come to a stage that wants more.',
            },
            $kind === 'change' ? $this->howToChange() : '',
            $litres, self::parts($doses), $kind === 'top-up' ? $day->day->topUpEc : $day->after->ec(),
            $kind === 'top-up' ? $this->lastDay($day, $course) : null,
            $day->date >= $this->diary->today(),
        );
    }

    /** How a change is done in this tub. */
    private function howToChange(): string
    {
        $lines = $this->diary->copy->pump() === '' ? '' : ' Lines and stones stay in; pump off while it is empty.';

        return match ($this->diary->copy->tub->system) {
            GrowingSystem::Passive => 'Lift the cups out into a bowl of the old water, pour out, fill no higher than before: air '
                .'roots stay in air.',
            GrowingSystem::Raft => 'Lift the board with its plants onto two boxes, siphon out, fill anew, set it back.',
            default => "Siphon it out through one cup's hole into a bucket; the plants stay in their cups, roots wet.$lines",
        };
    }

    /** The last day on which a top-up still does: that on which the lowest useful level is reached, drinking as much as may be. */
    private function lastDay(CourseDay $day, Course $course): ?int
    {
        $use = $this->diary->uses();
        $high = $use !== null && $use->isUsed() ? $use->high : 1 + Season::RANGE;
        $season = new Season($day->tub(), $day->season->weather, [], $high);
        $low = $season->dryFrom($day->before, $day->tub()->dryLitres);

        return $low === null ? null : max($day->date, $course->start + (int) floor($low) - 1);
    }

    private function plantings(Course $course): void
    {
        $said = [];
        foreach (array_keys($course->fates) as $i) {
            $growing = $this->growing[$i];
            if (isset($said[$growing->planting->id])) {
                continue;
            }
            $said[$growing->planting->id] = true;
            $parts = array_filter($this->growing, static fn (Growing $g): bool => $g->planting === $growing->planting);
            $this->planting(
                $course,
                $growing->planting,
                array_sum(array_map(static fn (Growing $g): int => $g->share->plants, $parts)),
                $course->fates[$i],
                $i,
            );
        }
    }

    /**
     * A tub that nobody is to top up and that is drunk down to what is of no use while something lives in it: the day before, and how much
     * it may take then, in still water half of what is missing at most.
     */
    private function dry(Course $course): void
    {
        $from = max($course->start, $this->diary->today());
        foreach ($course->days as $day) {
            if ($day->date < $from || $day->after->volume >= $day->tub()->dryLitres || $day->date > $this->lastLiving($course)) {
                continue;
            }
            $on = $course->on(max($course->start, $day->date - 1)) ?? $day;
            $missing = max(0.0, $day->tub()->fill - $on->after->volume);
            $litres = $this->diary->copy->tub->system === GrowingSystem::Passive ? $missing / 2 : $missing;
            $stage = $on->after->stage;
            $mixing = $day->tub()->mixing;
            $strength = $this->diary->copy->tub->water->strength->share();
            $told = array_filter($this->diary->entries->all, static fn (Entry $e): bool => $e->topUp > 0.0 && $e->day >= $course->start);
            $this->add(new Item(
                $this->waterKey('dry', count($told) + 1), max($from, $day->date - 1), 'top-up', $this->tub(), $this->diary->copy->copy,
                $this->ids($on), 'Top up '.$this->write->volume($litres).': dry from '.Dates::dayAndMonth($day->date),
                'It is planned without top-ups, and what stands in it drinks on. Or give it a habit of top-ups at Crop.', '',
                $litres, self::parts($mixing->doses($litres, $stage, $strength)), null, $day->date, true,
            ));

            return;
        }
    }

    /** Where tubs stand in the open, the first frost that is usual is said while something lives in them. */
    private function frosts(Course $course): void
    {
        $day = $this->isInTheOpen() ? $this->frost->next($course->start) : null;
        for (; $day !== null && $day <= $course->end(); $day = $this->frost->next($day + 1)) {
            $on = $course->on($day);
            if ($on !== null && $this->diary->living($on) !== [] && $day >= $this->diary->today()) {
                $this->add(new Item(
                    $this->waterKey('frost', (int) substr(Dates::text($day), 0, 4)), $day, 'frost', $this->tub(),
                    $this->diary->copy->copy, $this->ids($on), 'Frost is usual from now on',
                    'Cover it at night, bring it in, or pick what is ripe. Water that freezes breaks walls and pumps.',
                ));
            }
        }
    }

    private function isInTheOpen(): bool
    {
        return $this->diary->copy->garden()->site->setting === Setting::Open;
    }

    private function planting(Course $course, Planting $p, int $plants, Fate $fate, int $growing): void
    {
        $crop = $p->crop;
        $name = $crop->inSentence();
        $many = $plants === 1 ? '1 cup' : "$plants cups";
        if ($p->sown !== null && $crop->sowing !== null) {
            $seeds = $crop->sowing->seeds;
            $where = $p->isSownInTub() ? $many : ($plants === 1 ? '1 plug' : "$plants plugs");
            $this->care(
                $p,
                'sow',
                $p->sown,
                "Sow $name in $where",
                ($seeds === 1 ? 'One seed' : "$seeds seeds")." to each; warm, covered, at {$this->warmth($crop)}.",
            );
            $this->care(
                $p,
                'sprout',
                (int) $p->sprouts(),
                "$crop->name: up by now",
                'Cover off, and light at once, or they grow long and thin.',
            );
            if ($crop->sowing->isThinned()) {
                $this->care($p, 'thin', (int) $p->sprouts() + self::THIN_AFTER_DAYS, "Thin $name", 'Leave the best '
                    .($crop->sowing->thinTo === 1 ? 'one' : (string) $crop->sowing->thinTo).' in each: cut the others, do not pull.');
            }
        }
        if ($p->isRaised() || $p->sown === null) {
            $outdoors = $this->diary->copy->garden()->site->setting !== Setting::Indoor;
            if ($outdoors && $p->isRaised() && $p->setIn - self::HARDEN_DAYS > (int) $p->sprouts()) {
                $this->care(
                    $p,
                    'harden',
                    $p->setIn - self::HARDEN_DAYS,
                    "Harden $name off",
                    'An hour outside on the first day, longer each day; out of wind and noon sun.',
                );
            }
            $this->care($p, 'set-in', $p->setIn, ($crop->group === CropGroup::Cutting ? 'Cut and set in ' : 'Set in ')."$name, $many",
                ($p->isRaised() ? 'When roots show at the foot of the plug.' : 'Roots rinsed, none of the old soil.')
                    .$this->frostAt($p->setIn));
        }
        $stands = $course->on(max($course->start, min($course->end(), $p->setIn)))?->standOf($growing);
        foreach ($this->grownCare($crop) as [$kind, $at, $says, $why]) {
            $day = $stands === null ? null : $this->dayOfWay($course, $growing, $at);
            if ($day !== null) {
                $this->care($p, $kind, $day, $says, $why);
            }
        }
        $this->picking($p, $fate, $course->end());
    }

    private function frostAt(int $day): string
    {
        $last = $this->isInTheOpen() ? $this->frost->lastAfter($day) : null;

        return $last === null
            ? ''
            : sprintf(' Frost is usual until %s: wait, or have a cover at hand for the nights.', Dates::dayAndMonth($last));
    }

    /** @return list<array{string, float, string, string}> kind, part of the way to the first harvest, what and why */
    private function grownCare(Crop $crop): array
    {
        $name = $crop->inSentence();

        return [
            ...($crop->group === CropGroup::Herb && $crop->repeats
                ? [['pinch', self::PINCH_AT, "Pinch out the tips of $name", 'They branch, and bear twice as much.']] : []),
            ...($crop->climbs() || $crop->isStaked()
                ? [
                    [
                        'support',
                        self::SUPPORT_AT,
                        ($crop->climbs() ? 'Lead ' : 'Tie ')."$name up",
                        'Loosely, with a figure of eight round stem and stake; again each week as it grows.',
                    ],
                ] : []),
        ];
    }

    private function dayOfWay(Course $course, int $growing, float $way): ?int
    {
        foreach ($course->days as $day) {
            $stand = $day->standOf($growing);
            if ($stand !== null && $day->tub()->stands[$stand]->wayTo($day->after->ages[$stand]) >= $way) {
                return $day->date;
            }
        }

        return null;
    }

    /** @param  int  $until  the last day that is forecast */
    private function picking(Planting $p, Fate $fate, int $until): void
    {
        $crop = $p->crop;
        $system = $this->diary->copy->tub->system;
        $name = $crop->inSentence();
        if ($system === GrowingSystem::Nursery && $fate->died === null) {
            $this->care($p, 'hand-over', $p->setIn + max(0, $crop->daysSowToTransplant - $crop->daysGerminate),
                "Hand $name over", 'When roots hang out of the cup: into the tub that waits for them.', forecast: true);
        }
        if ($system === GrowingSystem::Nursery || $fate->firstHarvest === null) {
            return;
        }
        $first = (int) ceil($fate->firstHarvest);
        // Where the forecast ends before, it bears on.
        $last = $fate->lastHarvest === null ? $fate->died : (int) ceil($fate->lastHarvest);
        $this->care($p, 'pick', $first, $system === GrowingSystem::Cloner ? "$crop->name: rooted" : "First harvest of $name",
            $crop->repeats ? 'Outer leaves or ripe fruit first; leave the heart.' : 'The whole plant.', 1, true);
        $every = self::PICK_DAYS[$crop->group->value] ?? null;
        $end = $last ?? $until + 1;
        for ($number = 2, $day = $first + (int) $every; $every !== null && $crop->repeats && $day < $end; $day += $every, $number++) {
            $this->care($p, 'pick', $day, "Pick $name", 'What is picked often bears on.', $number, true);
        }
        $ends = $p->cleared ?? $last;
        if ($ends === null) {
            return;
        }
        $this->care(
            $p,
            'clear',
            $ends,
            "Clear $name out",
            'Old roots out, cups and stone scrubbed, pebbles boiled or soaked: they serve again.',
            forecast: $p->cleared === null,
        );
    }

    private function care(Planting $p, string $kind, int $date, string $says, string $why, int $number = 1, bool $forecast = false): void
    {
        $item = new Item(
            "$p->id/$kind".($number > 1 ? "/$number" : ''),
            $date,
            $kind,
            $this->tub(),
            $this->diary->copy->copy,
            [$p->id],
            $says,
            $why,
            isForecast: $forecast,
        );
        $told = $this->toldOf($item);
        if ($told !== null) {
            $this->items[] = $item->doneBy($told->id, $told->day);
        } elseif (! $this->isPassed($item)) {
            $this->add($item);
        }
    }

    /** Whether later entries show that it was done, though nobody said so: what is read of a tub stands in it. */
    private function isPassed(Item $item): bool
    {
        $last = $this->diary->entries->last();

        return $last !== null && $item->date < $last->day && ! in_array($item->kind, ['pick', 'clear'], true);
    }

    private function toldOf(Item $item): ?Entry
    {
        foreach ($this->diary->entries->all as $entry) {
            if (in_array($item->key, $entry->did, true)) {
                return $entry;
            }
        }
        $did = [
            'sow' => 'sow',
            'set-in' => 'transplant',
            'thin' => 'thin',
            'pinch' => 'pinch',
            'support' => 'tie',
            'clear' => 'clear',
        ][$item->kind] ?? null;

        return match (true) {
            $item->kind === 'pick' => $this->told($item->date, static fn (Entry $e): bool => ($e->harvest !== null || $e->picked !== null)
                && ($e->planting === null || in_array($e->planting, $item->plantings, true)), 3),
            $did !== null => $this->told($item->date, static fn (Entry $e): bool => in_array($did, $e->did, true)
                && ($e->planting === null || in_array($e->planting, $item->plantings, true))),
            default => null,
        };
    }

    /** @param  callable(Entry): bool  $is */
    private function told(int $date, callable $is, int $within = self::WINDOW_DAYS): ?Entry
    {
        $near = null;
        foreach ($this->diary->entries->all as $entry) {
            if (
                abs($entry->day - $date) <= $within && $is($entry) && ($near === null || abs($entry->day - $date) < abs($near->day - $date))
            ) {
                $near = $entry;
            }
        }

        return $near;
    }

    /** @param  list<Course>  $courses */
    private function checks(array $courses, int $to): void
    {
        $today = $this->diary->today();
        $rounds = $this->free->rounds($this->diary->copy->tub->system !== GrowingSystem::Passive);
        $looks = $this->diary->copy->pump() === ''
            ? 'Level, gap, roots white, no green.'
            : 'Level, bubbles at every stone, roots white, no smell.';
        foreach ($courses as $course) {
            $end = min($to, $this->lastLiving($course));
            $from = $course->start;
            foreach ($this->diary->entries->all as $entry) {
                $from = $entry->day <= $end ? max($from, $entry->day) : $from;
            }
            $unseen = $from + self::SEEN_DAYS + 1;
            $days = $rounds->between($unseen, $end);
            foreach ($days as $n => $day) {
                // What was not looked at for long is due today, and once.
                if ($day >= $today || ($days[$n + 1] ?? PHP_INT_MAX) > $today) {
                    $key = $this->waterKey('check', $rounds->number($day) - $rounds->number($course->start));
                    $this->unseen[$key] = $unseen;
                    $this->add(new Item(
                        $key,
                        max($day, min($today, $end)), 'check', $this->tub(), $this->diary->copy->copy,
                        $this->ids($course->on($day)), 'Look at it', $looks, isForecast: true,
                    ));
                }
            }
        }
    }

    private function lastLiving(Course $course): int
    {
        $last = array_map(
            static fn (Fate $f): int => (int) floor($f->died ?? $f->lastHarvest ?? $course->driesFrom($course->start) ?? $course->end()),
            $course->fates,
        );

        return min($course->end(), max([$course->start, ...array_values($last)]));
    }

    private function add(Item $item): void
    {
        $this->items[] = $item;
    }

    /** @return list<string> of the plantings that stand in the tub on a day */
    private function ids(?CourseDay $day): array
    {
        return array_values(array_unique(array_map(fn (int $i): string => $this->growing[$i]->planting->id, $day->who ?? [])));
    }

    private function warmth(Crop $crop): string
    {
        return $crop->sowing === null ? '' : sprintf(
            '%s to %s',
            $this->write->temperature($crop->sowing->lowC),
            $this->write->temperature($crop->sowing->highC),
        );
    }

    /**
     * @param  list<Dose>  $doses
     * @return list<array{name: string, unit: string, amount: float, tsp: float|null}>
     */
    private static function parts(array $doses): array
    {
        return array_values(array_map(static fn (Dose $d): array => [
            'name' => $d->part->name,
            'unit' => $d->part->liquid ? 'ml' : 'g',
            'amount' => $d->amount,
            'tsp' => $d->part->spoons($d->amount),
        ], array_filter($doses, static fn (Dose $d): bool => $d->amount > 0.0)));
    }
}
