<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;

/** Whether the nurseries raise what the growing tubs wait for. Source: handbook, build (before the first screw). */
final class HandOverRules
{
    /** @return list<Finding> */
    public static function of(RuleContext $context): array
    {
        $plans = $context->plan->get(TubPlans::class);
        $hands = HandOver::of($plans);
        $findings = [];
        foreach ($plans->tubs as $plan) {
            if ($plan->tub->planting->started !== StartedFrom::Nursery) {
                continue;
            }
            foreach ($plan->plants->mix->crops() as $crop) {
                $findings[] = self::judged($plan, $crop, $hands, $context);
            }
        }

        return array_values(array_filter($findings));
    }

    private static function judged(TubPlan $plan, Crop $crop, HandOver $hands, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $inPlugs = $context->set('Raise them in plugs of their own', $tub->pointer('/started'), StartedFrom::Plug->value);
        if ($hands->raised($crop->key) === 0) {
            return new Finding('nursery.none', Severity::Mend, $tub->id, $tub->pointer('/started'),
                "No nursery of this garden raises {$crop->inSentence()} for it. Plant one with it, or raise them in plugs of their own.",
                'Plants from a nursery bring their plugs along: none are on the list for this tub, and no seed.',
                [$inPlugs]);
        }
        // Said once, where the first of them stands.
        if ($hands->raised($crop->key) >= $hands->wanted($crop->key) || $hands->taking($crop->key)[0] !== $plan) {
            return null;
        }

        return new Finding('nursery.few', Severity::Mind, $tub->id, $tub->pointer('/started'),
            sprintf(
                '%d of %s are to come from a nursery, and %d are raised at a time. Raise them in turns, or plant fewer here.',
                $hands->wanted($crop->key),
                $crop->inSentence(),
                $hands->raised($crop->key),
            ),
            sprintf(
                'What the first turn leaves empty waits for the second: %d turns in all.',
                HandOver::turns($hands->wanted($crop->key), $hands->raised($crop->key)),
            ),
            [$inPlugs]);
    }
}
