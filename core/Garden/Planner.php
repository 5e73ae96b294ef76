<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\Lid\FreshMemory;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Season\MadeWeather;
use KelpTub\Core\Season\WeatherSource;
use stdClass;

/** Garden in, plan out: a pure function of the garden and the Library. Walks the list of marks; what they compute is theirs. */
final readonly class Planner
{
    public PlanningAids $aids;

    private GardenMaker $maker;

    private Walk $walk;

    /** @param  list<Mark>  $marks  in the order in which they plan */
    public function __construct(
        private array $marks,
        Library $library,
        LayoutMemory $memory = new FreshMemory,
        WeatherSource $forecasts = new MadeWeather,
        KnownTubs $known = new KnownTubs,
    ) {
        $this->aids = new PlanningAids($library, $memory, $forecasts, $known);
        $this->maker = new GardenMaker($marks, $library);
        $this->walk = new Walk($marks, $this->aids);
    }

    public function plan(Garden $garden): Plan
    {
        return $this->walked(Plan::of($garden));
    }

    /** Changes of which tubs stand on a garden's bench. */
    public function bench(Garden $garden): BenchEdits
    {
        return new BenchEdits($this->marks, $garden, $this->aids->library);
    }

    private function walked(Plan $plan): Plan
    {
        return $this->walk->finished($this->walk->begun($plan));
    }

    /**
     * The plan of a garden after a patch; what it leaves alone is not planned again.
     *
     * @param  list<stdClass>  $patch
     */
    public function planAgain(Plan $before, array $patch): Plan
    {
        return $this->walked(Plan::of($this->maker->patched($before->garden, $patch), $before));
    }

    /**
     * A garden after a patch as far as no mark asks what is needed: for those who ask after one of its tubs.
     *
     * @param  list<stdClass>  $patch
     * @param  Plan|null  $before  the garden's own plan: what the patch leaves alone is taken from it
     */
    public function begun(Garden $garden, array $patch, ?Plan $before = null): Plan
    {
        return $this->walk->begun(Plan::of($this->maker->patched($garden, $patch), $before));
    }

    /** @return list<Finding> on one tub by the marks that a plan has begun with, in no order; the ways out of them are not tried */
    public function findingsOnTub(Plan $plan, string $tub): array
    {
        return array_merge(...array_values(
            $this->walk->saidOnTub($tub, new RuleContext($plan, $this->aids), $this->walk->beforeNeeds),
        ));
    }

    /**
     * The findings on a plan, worst first; the ways out of them are not tried.
     *
     * @return list<Finding>
     */
    public function findings(Plan $plan): array
    {
        return $this->walk->judged($plan)->findings();
    }

    /**
     * The same with their remedies: tried as long as there is time, then as they come to mind and marked so.
     *
     * @return list<Finding>
     */
    public function mended(Plan $plan, WaysWanted $wanted = new WaysWanted): array
    {
        $now = $this->walk->judged($plan);
        $trials = new Trials($this, $now);
        $findings = $now->findings();
        $tried = $wanted->inOrder($findings);
        foreach (array_diff(array_keys($findings), $tried) as $i) {
            $findings[$i] = $findings[$i]->listed();
        }
        foreach ($tried as $i) {
            $findings[$i] = $trials->mended($findings[$i]);
        }

        return OfAllTubs::once($plan->garden, $findings);
    }

    /** A plan and all that is to be said of it. */
    public function judged(Garden $garden): Judgement
    {
        return $this->walk->judged($this->plan($garden));
    }

    /** A garden of a document that is known to be sound. */
    public function of(stdClass $document): Garden
    {
        return $this->maker->of($document);
    }

    /**
     * A garden after a patch that is known to be sound.
     *
     * @param  list<stdClass>  $patch
     */
    public function patched(Garden $garden, array $patch): Garden
    {
        return $this->maker->patched($garden, $patch);
    }

    /**
     * A way to bring air into a tub that brings no stop with it: the simplest that does, or the simplest of all.
     *
     * @return list<stdClass>
     */
    public function addAir(Garden $garden, Tub $tub): array
    {
        $now = $this->walk->judged($this->plan($garden));

        return (new Trials($this, $now))->harmless((new RuleContext($now->plan, $this->aids))->addAir('Add air', $tub))->patch;
    }

    /**
     * What would be said after a patch, of what it changes; the rest stays as it was said. Money is not looked at, unless it is a
     * finding of that mark which is to be mended.
     *
     * @param  list<stdClass>  $patch
     * @param  string  $of  the key of the mark whose finding is to be mended
     */
    public function judgeAgain(Judgement $now, array $patch, string $of = ''): Judgement
    {
        $plan = Plan::of($this->maker->patched($now->plan->garden, $patch), $now->plan);
        $counted = ! $this->isTried($of);
        $marks = array_filter($this->marks, static fn (Mark $mark): bool => $mark->isTried() || $mark->key() === $of);
        $walk = new Walk(array_values($marks), $this->aids);
        $plan = $walk->begun($plan);
        $plan = $counted ? $walk->finished($plan) : $plan;
        $context = new RuleContext($plan, $this->aids);
        $same = $plan->garden->standsOnTheSame($now->plan->garden);
        $said = [];
        foreach ($plan->garden->tubs as $tub) {
            foreach ($marks as $mark) {
                $place = "$tub->id {$mark->key()}";
                $basis = $mark->basis($tub->id, $plan);
                $said[$place] = $same && isset($now->said[$place]) && $basis !== null && $basis === $mark->basis($tub->id, $now->plan)
                    ? $now->said[$place]
                    : $mark->says($mark->findingsOnTub($tub->id, $context));
            }
        }
        foreach ($marks as $mark) {
            $said[" {$mark->key()}"] = $mark->says($mark->findings($context));
        }

        return new Judgement($plan, $said);
    }

    /** The key of the mark that counts what all of them need, and whose findings are about money; empty where there is none. */
    public function countingMark(): string
    {
        foreach ($this->marks as $mark) {
            if ($mark->countsNeeds()) {
                return $mark->key();
            }
        }

        return '';
    }

    /** Whether a mark plans and judges again in every trial; one that is not known does not matter. */
    public function isTried(string $key): bool
    {
        foreach ($this->marks as $mark) {
            if ($mark->key() === $key) {
                return $mark->isTried();
            }
        }

        return true;
    }

    /**
     * Garden in, report out.
     *
     * @param  bool  $whole  with the days of the seasons
     */
    public function report(Garden $garden, WaysWanted $wanted = new WaysWanted, bool $whole = false): stdClass
    {
        $plan = $this->plan($garden);

        return $this->written($plan, $this->mended($plan, $wanted), $whole);
    }

    /**
     * A plan and what was found on it as the report.
     *
     * @param  list<Finding>  $findings
     */
    public function written(Plan $plan, array $findings, bool $whole = false): stdClass
    {
        return Report::of($plan, $this->marks, $findings, $whole);
    }

    /**
     * Garden in, the report as text out, at once: ways out of findings are listed and not tried, and what is known of tubs that are as
     * they were is not worked out again.
     */
    public function preview(Garden $garden): string
    {
        return (new Preview($this->walk, $this->aids))->of($garden);
    }
}
