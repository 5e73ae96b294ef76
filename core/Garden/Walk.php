<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cost\Need;

/** The walk along the marks, in their order: each plans, then what it needs is counted, then it says what it has to say. */
final readonly class Walk
{
    /** @var list<Mark> those that plan before needs are counted, and that speak of single tubs */
    public array $beforeNeeds;

    /** @param  list<Mark>  $marks  in the order in which they plan */
    public function __construct(public array $marks, private PlanningAids $aids)
    {
        $count = 0;
        while (isset($marks[$count]) && ! $marks[$count]->countsNeeds()) {
            $count++;
        }
        $this->beforeNeeds = array_slice($marks, 0, $count);
    }

    /** As far as no mark asks what is needed. */
    public function begun(Plan $plan): Plan
    {
        foreach ($this->beforeNeeds as $mark) {
            $plan = $plan->with($mark->plan($plan, $this->aids));
        }

        return $plan;
    }

    /**
     * The rest of the way.
     *
     * @param  array<string, array<string, array<string, list<Need>>>>  $needs  of tubs whose needs are known: by tub id, then as
     *                                                                          needsOnTub() gives them
     */
    public function finished(Plan $plan, array $needs = []): Plan
    {
        $library = $this->aids->library;
        foreach ($this->beforeNeeds as $mark) {
            foreach ($plan->garden->tubs as $tub) {
                $plan = $plan->needing($needs[$tub->id][$mark->key()] ?? $mark->needsOnTub($tub->id, $plan, $library));
            }
            $plan = $plan->needing(['' => $mark->needs($plan, $library)]);
        }
        foreach (array_slice($this->marks, count($this->beforeNeeds)) as $mark) {
            $plan = $plan->with($mark->plan($plan, $this->aids));
            $plan = $plan->needing(['' => $mark->needs($plan, $library)]);
        }

        return $plan;
    }

    /** @return array<string, array<string, list<Need>>> what one tub takes, by mark, then by tub or as shared */
    public function needsOnTub(string $tub, Plan $plan): array
    {
        $needs = [];
        foreach ($this->beforeNeeds as $mark) {
            $needs[$mark->key()] = $mark->needsOnTub($tub, $plan, $this->aids->library);
        }

        return $needs;
    }

    /** Every mark on every tub, then every mark on the garden as a whole. */
    public function judged(Plan $plan): Judgement
    {
        $context = new RuleContext($plan, $this->aids);
        $said = [];
        foreach ($plan->garden->tubs as $tub) {
            $said += $this->saidOnTub($tub->id, $context);
        }

        return new Judgement($plan, $said + $this->saidOnGarden($context));
    }

    /** @return array<string, list<Finding>> by tub and mark */
    public function saidOnTub(string $tub, RuleContext $context): array
    {
        $said = [];
        foreach ($this->beforeNeeds as $mark) {
            $said["$tub {$mark->key()}"] = $mark->says($mark->findingsOnTub($tub, $context));
        }

        return $said;
    }

    /** @return array<string, list<Finding>> by mark */
    public function saidOnGarden(RuleContext $context): array
    {
        $said = [];
        foreach ($this->marks as $mark) {
            $said[" {$mark->key()}"] = $mark->says($mark->findings($context));
        }

        return $said;
    }
}
