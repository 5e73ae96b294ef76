<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;

/** What the money says. Source: handbook, rules section 9. */
final class CostRules
{
    /** @return list<Finding> */
    public static function of(RuleContext $context): array
    {
        $findings = [];
        $budget = $context->plan->get(CostPlan::class)->budget;
        $currency = $context->plan->garden->of(MoneyWish::class)->currency;
        if ($budget->overCap > 0.0) {
            $findings[] = new Finding('cost.over-cap', Severity::Mend, null, '/money/cap',
                sprintf(
                    'It costs %s %s, which is %s over the cap of %s.',
                    $context->write->number($budget->outlay, 2),
                    $currency,
                    $context->write->number($budget->overCap, 2),
                    $context->write->number($budget->cap ?? 0.0, 2),
                ),
                'Packs hold more than one tub needs, and tools are counted once. Mark what you have already as owned.');
        }
        $unpriced = [];
        foreach ($context->plan->get(CostPlan::class)->purchases as $purchase) {
            if (! $purchase->priced) {
                $unpriced[] = $purchase->need->name;
            }
        }
        if ($unpriced !== []) {
            $findings[] = new Finding('cost.unpriced', Severity::Mind, null, '/prices',
                sprintf('No price is known for %s. Add an offer, or mark it as owned.', implode(', ', $unpriced)),
                'The total leaves out what has no price.');
        }

        return $findings;
    }
}
