<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Step;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Marks\Crop\HandOver;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\TopUpHabit;
use stdClass;

/**
 * What comes on which day around the building of a tub, counted from the day on which its plants go in: sowing, the building itself, the
 * days on which water stands and is mixed, and what the season forecasts first. What is waited for is laid out here and is no work.
 * Source: handbook, build (waiting), season (top-ups, changes, harvest).
 */
final class PlanOfDays
{
    private const HOURS_A_DAY = 24;

    /** † Days after which it shows what crawls on plants that were bought. */
    private const APART_DAYS = 4;

    /** Steps that are done before or after the tub is built. */
    private const NOT_BUILDING = [
        'sow', 'raise', 'young', 'fill', 'spray-test', 'balance', 'stand-water', 'feed', 'ph', 'plant', 'support', 'light-check', 'log',
    ];

    /** @var list<DayOfPlan> */
    private array $days = [];

    public function __construct(private readonly Bench $bench)
    {
        $this->raising();
        $this->building();
        $this->planting();
        $this->handingOver();
        $this->growing();
        usort($this->days, static fn (DayOfPlan $a, DayOfPlan $b): int => $a->day <=> $b->day);
    }

    /** @return list<stdClass> the earliest first */
    public function toReport(): array
    {
        return array_map(static fn (DayOfPlan $d): stdClass => $d->toReport(), $this->days);
    }

    private function raising(): void
    {
        foreach ($this->bench->raising->shares as $share) {
            $crop = $share->crop;
            $plugs = $share->plants * $this->bench->tub->tub->count;
            $before = $this->bench->raising->daysBefore($crop);
            $this->on(-$before, "Sow {$crop->inSentence()} in $plugs ".($plugs === 1 ? 'plug' : 'plugs'), 'sow');
            $this->on($crop->daysGerminate - $before, "$crop->name: up by now, cover off, light at once", 'raise');
        }
        if ($this->bench->tub->tub->planting->started === StartedFrom::Nursery) {
            foreach ($this->bench->tub->plants->mix->crops() as $crop) {
                $this->on(-$crop->daysSowToTransplant, "Sow {$crop->inSentence()} for the nursery", 'young');
            }
        }
    }

    /** The tub is built before water goes in, and water that stands or rests does so before plants go in. */
    private function building(): void
    {
        $work = array_sum(array_map(
            static fn (Step $s): int => in_array($s->key, self::NOT_BUILDING, true) ? 0 : $s->minutes,
            $this->bench->steps,
        ));
        $stands = (int) ceil(($this->bench->source->disinfectant->standingHours() ?? 0) / self::HOURS_A_DAY);
        $mix = ($this->has('feed') ? 'mix the feed, ' : '').lcfirst($this->title('ph'));
        $this->on(-2 - $stands, 'The tub is built by now: '.self::spell($work).' of work', 'check');
        if ($stands > 0) {
            $this->on(-1 - $stands, 'Fill, and let the water stand for '.($stands === 1 ? 'a day' : "$stands days"), 'fill');
            $this->on(-1, ucfirst($mix), $this->has('feed') ? 'feed' : 'ph');
        } else {
            $this->on(-1, "Fill, $mix", 'fill');
        }
    }

    private function planting(): void
    {
        $tub = $this->bench->tub;
        $isCut = $tub->tub->system === GrowingSystem::Cloner;
        if ($this->has('young') && ! $isCut) {
            $this->on(-self::APART_DAYS, 'Fetch the young plants, and keep them apart until they go in', 'young');
        }
        $this->on(0, 'Read the pH again'.match (true) {
            ! $this->has('plant') => '; the tub is ready',
            $isCut => '; cut the stems and set them in',
            $tub->tub->planting->started === StartedFrom::Seed => '; sow in the cups',
            default => '; the plants go in',
        }, $this->has('plant') ? 'plant' : 'ph');
        if ($tub->tub->planting->started === StartedFrom::Seed && ! $isCut) {
            foreach ($tub->plants->mix->crops() as $crop) {
                $this->on($crop->daysGerminate, "$crop->name: up by now", 'plant');
            }
        }
    }

    private function handingOver(): void
    {
        $nursery = $this->bench->tub;
        foreach ($nursery->tub->system === GrowingSystem::Nursery ? $nursery->plants->mix->shares : [] as $share) {
            $day = HandOver::day($nursery, $share);
            $to = array_map(static fn (TubPlan $p): string => $p->tub->name, $this->bench->handOver->taking($share->crop->key));
            $where = $to === [] ? 'its tub' : implode(' and ', $to);
            if ($day !== null) {
                $this->on($day, "{$share->crop->name}: over to $where when roots hang out", null);
            }
        }
    }

    /** What the season, as it is forecast, brings first. A nursery hands its plants over before any of it. */
    private function growing(): void
    {
        $run = $this->bench->feed->run();
        $tub = $this->bench->tub->tub;
        if ($run === null || ! $tub->system->isPicked()) {
            return;
        }
        $topUp = TopUpHabit::of($run)?->topUps[0] ?? null;
        if ($topUp !== null) {
            $this->on((int) $topUp->day, 'First top-up, about '.$this->bench->write->volume($topUp->litres), null);
        }
        $change = self::firstChange($run);
        if ($change !== null) {
            $this->on($change, 'First change of the water', null);
        }
        $harvest = $run->harvestDay();
        if ($harvest !== null) {
            $this->on((int) ceil($harvest), $tub->system === GrowingSystem::Cloner ? 'Rooted' : 'First harvest', null);
        }
    }

    private static function firstChange(SeasonRun $run): ?int
    {
        foreach ($run->days as $day) {
            if ($day->change) {
                return $day->day < ($run->harvestDay() ?? INF) ? $day->day : null;
            }
        }

        return null;
    }

    private function has(string $step): bool
    {
        return in_array($step, array_column($this->bench->steps, 'key'), true);
    }

    private function title(string $step): string
    {
        return array_column($this->bench->steps, 'title', 'key')[$step];
    }

    private function on(int $day, string $does, ?string $step): void
    {
        $this->days[] = new DayOfPlan($day, $does, $step, $this->bench->raising->planted);
    }

    /** "2 h 05", "40 min" */
    public static function spell(int $minutes): string
    {
        return $minutes < 60 ? "$minutes\u{202F}min" : sprintf("%d\u{202F}h\u{202F}%02d", intdiv($minutes, 60), $minutes % 60);
    }
}
