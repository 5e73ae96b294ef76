<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\Lid\FreshMemory;
use KelpTub\Core\Lid\LayoutMemory;
use stdClass;

/** Garden in, plan out: a pure function of the garden and the Library. Walks the list of marks; what they compute is theirs. */
final readonly class Planner
{
    public PlanningAids $aids;

    /** @param  list<Mark>  $marks  in the order in which they plan */
    public function __construct(private array $marks, Library $library, LayoutMemory $memory = new FreshMemory)
    {
        $this->aids = new PlanningAids($library, $memory);
    }

    public function plan(Garden $garden): Plan
    {
        $plan = Plan::of($garden);
        foreach ($this->marks as $mark) {
            $plan = $plan->with($mark->plan($plan, $this->aids));
            $plan = $plan->needing($mark->needs($plan, $this->aids->library));
        }

        return $plan;
    }

    /**
     * The findings on a plan, worst first; among those alike the tubs' in their order, then the garden's, mark by mark.
     *
     * @return list<Finding>
     */
    public function findings(Plan $plan): array
    {
        $context = new RuleContext($plan, $this->aids);
        $findings = [];
        foreach ($plan->garden->tubs as $tub) {
            foreach ($this->marks as $mark) {
                foreach ($mark->findingsOnTub($tub->id, $context) as $finding) {
                    $findings[] = $finding->saidBy($mark);
                }
            }
        }
        foreach ($this->marks as $mark) {
            foreach ($mark->findings($context) as $finding) {
                $findings[] = $finding->saidBy($mark);
            }
        }
        usort($findings, static fn (Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
    }

    /** Garden in, report out. */
    public function report(Garden $garden): stdClass
    {
        $plan = $this->plan($garden);

        return $this->written($plan, $this->findings($plan));
    }

    /**
     * A plan and what was found on it as the report.
     *
     * @param  list<Finding>  $findings
     */
    public function written(Plan $plan, array $findings): stdClass
    {
        return Report::of($plan->garden, array_map(static fn (Mark $mark): MarkReport => $mark->report($plan), $this->marks), $findings);
    }
}
