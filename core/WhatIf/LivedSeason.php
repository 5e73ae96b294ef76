<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use InvalidArgumentException;
use KelpTub\Core\Crop\CropStand;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Diary\DiaryReport;
use KelpTub\Core\DryRun\Decision;
use KelpTub\Core\DryRun\DecisionReader;
use KelpTub\Core\DryRun\DryRun;
use KelpTub\Core\DryRun\DryRunReport;
use KelpTub\Core\DryRun\Luck;
use KelpTub\Core\DryRun\Mishap;
use KelpTub\Core\DryRun\MishapKind;
use KelpTub\Core\DryRun\RunLog;
use KelpTub\Core\DryRun\RunSoFar;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Marks\Cost\CostFigures;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * The season of a garden's tub, lived through: what is told on the way, at the end, and what the Log would say of it. Source: handbook, log
 * (Dry run).
 */
final readonly class LivedSeason
{
    /** A year of no leap, in which a run is written down as a log. */
    private const LOG_YEAR = 2027;

    /** 1 May, where the weather is the same all year. */
    private const LOG_DAY = 121;

    private const EVENING = 0.8;

    /** Habits that bring no more than this over the tub's own are not worth another word. */
    private const LEAST_MORE_G = 1.0;

    private FeedPlan $plan;

    private SeasonRun $planned;

    public DryRun $dry;

    /** @throws InvalidArgumentException where nothing grows in it */
    public function __construct(private Planner $planner, private Garden $garden, private Tub $tub, int $seed)
    {
        $this->plan = $planner->begun($garden, [])->get(FeedPlans::class)->of($tub->id);
        $season = $this->plan->season;
        $planned = $this->plan->run();
        if ($season === null || $planned === null) {
            throw new InvalidArgumentException("nothing grows in $tub->id, so there is no season to live through");
        }
        $this->planned = $planned;
        $this->dry = new DryRun($season, $this->plan->weather, Luck::of($seed, $season, (float) count($planned->days)));
    }

    /**
     * @param  mixed  $given  decoded, of a file
     * @return list<Decision>|list<string> the decisions, or what is wrong with them
     */
    public function decisions(mixed $given): array
    {
        return (new DecisionReader($this->dry->tub->brim))->read($given);
    }

    /** @param  list<Decision>  $decisions */
    public function soFar(array $decisions): RunSoFar
    {
        return new RunSoFar($this->dry, $this->planned, $decisions, $this->hasMeter());
    }

    /**
     * How it came out.
     *
     * @param  list<Decision>|null  $decisions  null where it is kept by its habits
     */
    public function told(?array $decisions): stdClass
    {
        $figures = null;
        $price = function (array $doses, float $litres) use (&$figures): float {
            $figures ??= new CostFigures($this->planner->plan($this->garden));

            return $figures->season($this->plan, $doses, $litres);
        };

        return DryRunReport::of(
            $this->dry,
            $decisions,
            $this->hasMeter(),
            new QuantityWriter($this->garden->units),
            $price,
            fn (): array => $this->otherDesigns($decisions),
        );
    }

    /**
     * The one of some other habits, and the one of pumps with a battery, with which this seed would have brought most.
     *
     * @param  list<Decision>|null  $decisions
     * @return list<array{string, list<stdClass>, SeasonRun}> in words, as a patch, and as it would have been
     */
    private function otherDesigns(?array $decisions): array
    {
        $byHabit = static fn (DryRun $dry): SeasonRun => $dry->byHabit();
        $asPlayed = static fn (DryRun $dry): SeasonRun => $decisions === null ? $dry->byHabit() : $dry->decided($decisions);
        $habits = OtherHabits::of($this->garden, $this->tub, $this->planner->aids->library);

        return array_values(array_filter([
            // What the tub's own habits bring is said by themselves.
            $this->best($habits, $byHabit, $this->dry->byHabit()->harvested() + self::LEAST_MORE_G),
            $this->best($this->batteries(), $asPlayed, $asPlayed($this->dry)->harvested()),
        ]));
    }

    /**
     * @param  list<array{string, list<stdClass>}>  $ways  in words, and as a patch
     * @param  callable(DryRun): SeasonRun  $play
     * @param  float  $most  g that it has to bring more than
     * @return array{string, list<stdClass>, SeasonRun}|null the first of those that bring most; null where none brings more
     */
    private function best(array $ways, callable $play, float $most): ?array
    {
        $best = null;
        foreach ($ways as [$says, $patch]) {
            $season = $this->planner->begun($this->garden, $patch)->get(FeedPlans::class)->of($this->tub->id)->season;
            $run = $season === null ? null : $play(new DryRun($season, $this->plan->weather, $this->dry->luck));
            [$most, $best] = $run !== null && $run->harvested() > $most ? [$run->harvested(), [$says, $patch, $run]] : [$most, $best];
        }

        return $best;
    }

    /** @return list<array{string, list<stdClass>}> pumps that go on for a while when the power is cut, in place of those that do not */
    private function batteries(): array
    {
        $isCut = array_filter($this->dry->luck->mishaps, static fn (Mishap $m): bool => $m->kind === MishapKind::PowerCut) !== [];
        $library = $this->planner->aids->library;
        $maker = new PatchMaker($this->garden->document, $library);
        $ways = [];
        foreach ($isCut ? $this->garden->document->air ?? [] : [] as $i => $system) {
            if (! in_array($this->tub->id, array_column($system->branches ?? [], 'tub'), true)) {
                continue;
            }
            foreach ($library->pumps->keys() as $key) {
                $pump = $library->pumps->get($key);
                if (($pump->batteryInside ?? 0.0) > 0.0) {
                    $ways[] = ["A $pump->name", $maker->set("/air/$i/pump", $key)];
                }
            }
        }

        return $ways;
    }

    /**
     * What the Log says of it on an evening, by what was read and done until then; the surest first.
     *
     * @param  list<Decision>  $decisions
     * @return list<stdClass>
     */
    public function diagnosis(array $decisions, int $day): array
    {
        $soFar = $this->soFar($decisions);
        $start = Dates::number(self::LOG_YEAR.'-01-01') + ($this->plan->weather->dayOfYear(0) ?? self::LOG_DAY) - 1;
        $plantings = array_map(fn (CropStand $stand): stdClass => (object) [
            'id' => "run-{$stand->crop->key}",
            'tub' => $this->tub->id,
            'crop' => $stand->crop->key,
            'transplanted' => Dates::text($start),
        ], $this->dry->tub->stands);
        $planted = $this->planner->begun($this->garden, [(object) ['op' => 'add', 'path' => '/plantings', 'value' => $plantings]])->garden;
        $raws = (new RunLog($this->tub->id, $start))->entries(array_map($soFar->seen(...), $soFar->visits($day)), $decisions);
        $entries = array_values(array_filter(array_map((new EntryReader)->known(...), $raws)));
        $diary = new Diary($this->planner, $planted, Entries::of($entries), $start + $day + self::EVENING);

        return DiaryReport::diagnosis($diary->copy($planted->tubs[$this->tub->index], 1))->findings;
    }

    private function hasMeter(): bool
    {
        return in_array($this->tub->id, array_column((array) ($this->garden->document->meters ?? []), 'tub'), true);
    }
}
