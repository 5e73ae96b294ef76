<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cost\Need;
use LogicException;

/** The walk along the marks, in their order: each plans, then what it needs is counted, then it says what it has to say. */
final readonly class Walk
{
    /** @var list<Mark> those that plan before needs are counted */
    public array $beforeNeeds;

    /** @var list<Mark> the one that counts needs, and those listed after it: they may find and report, and need nothing that is bought */
    public array $afterNeeds;

    /** @param  list<Mark>  $marks  in the order in which they plan */
    public function __construct(public array $marks, private PlanningAids $aids)
    {
        $count = 0;
        while (isset($marks[$count]) && ! $marks[$count]->countsNeeds()) {
            $count++;
        }
        $this->beforeNeeds = array_slice($marks, 0, $count);
        $this->afterNeeds = array_slice($marks, $count);
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
     *
     * @throws LogicException where a mark needs something that is counted already
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
        foreach ($this->afterNeeds as $mark) {
            $plan = $plan->with($mark->plan($plan, $this->aids));
            $more = ['' => $mark->needs($plan, $library)];
            foreach ($mark->countsNeeds() ? [] : $plan->garden->tubs as $tub) {
                $more = [...$more, ...$mark->needsOnTub($tub->id, $plan, $library)];
            }
            if (! $mark->countsNeeds() && array_merge(...array_values($more)) !== []) {
                throw new LogicException("The mark \"{$mark->key()}\" needs parts and is listed after they are counted; list it before.");
            }
            $plan = $plan->needing($more);
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

    /**
     * @param  list<Mark>|null  $marks  all of them where it is null
     * @return array<string, list<Finding>> by tub and mark
     */
    public function saidOnTub(string $tub, RuleContext $context, ?array $marks = null): array
    {
        $said = [];
        foreach ($marks ?? $this->marks as $mark) {
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
