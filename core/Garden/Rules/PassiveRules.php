<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden\Rules;

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\TubPlan;

/** Still water: whether it lasts, and whether roots get their air gap. Source: handbook, rules section 6. */
final class PassiveRules
{
    /** Air wanted under the cup half-way to harvest and at harvest, mm. */
    private const GAP_HALF_WAY_MM = 10.0;

    public const GAP_HARVEST_MM = 25.0;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        if ($plan->tub->system !== GrowingSystem::Passive || $plan->use === null || $plan->plants === 0) {
            return [];
        }

        return array_values(array_filter([
            self::dry($plan, $context),
            self::gap($plan, $context),
            self::topUp($plan, $context),
        ]));
    }

    private static function dry(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $dry = $plan->dryDay();
        $harvest = $plan->use->harvestDay ?? 0.0;
        if ($tub->topUps !== TopUps::None || $dry === null || $dry >= $harvest) {
            return null;
        }
        $w = $context->write;
        $fewer = 0;
        for ($cups = $plan->plants - 1; $cups >= 1; $cups--) {
            if (($plan->use->toHarvest ?? 0.0) * $cups / $plan->plants <= $plan->usable()) {
                $fewer = $cups;
                break;
            }
        }
        $remedies = [];
        if ($fewer >= 1) {
            $says = $fewer === 1 ? 'Plant one' : "Plant $fewer";
            $remedies[] = $tub->plants !== null ? $context->set($says, $tub->pointer('/plants'), $fewer) : $context->cups($says, $plan, $fewer);
        }
        $quarter = $plan->working() / 4;

        return new Finding('passive.dry', Severity::Stop, $tub->id, $tub->pointer('/top_ups'),
            sprintf('It runs dry on day %s, %s days before harvest, with no top-ups planned. It lacks %s.', $w->number(floor($dry), 0), $w->number(ceil($harvest - $dry), 0), $w->volume(($plan->use->toHarvest ?? 0.0) - $plan->usable())),
            sprintf('The plants drink %s to harvest and %s of the water can be used. A quarter of the first fill at a time is safe: air roots stay dry.', $w->volume($plan->use->toHarvest ?? 0.0), $w->volume($plan->usable())),
            [
                ...$remedies,
                $context->set(sprintf('Top up %s at a time', $w->volume($quarter)), $tub->pointer('/top_ups'), 'quarter'),
                $context->addAir('Add air and refill freely', $plan),
            ]);
    }

    private static function gap(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $harvest = $plan->use->harvestDay ?? 0.0;
        if ($tub->topUps !== TopUps::None) {
            return null;
        }
        $halfWay = $plan->gapOn($harvest / 2) ?? 0.0;
        $atHarvest = $plan->gapOn($harvest) ?? 0.0;
        if ($halfWay >= self::GAP_HALF_WAY_MM && $atHarvest >= self::GAP_HARVEST_MM) {
            return null;
        }
        $w = $context->write;

        return new Finding('passive.gap', Severity::Mind, $tub->id, $tub->pointer('/water_line'),
            sprintf('The air gap is %s half-way and %s at harvest; %s and %s are wanted. Fill it lower once roots hang in the water.', $w->length($halfWay), $w->length($atHarvest), $w->length(self::GAP_HALF_WAY_MM), $w->length(self::GAP_HARVEST_MM)),
            'In still water the roots in the air gap breathe for the plant. A tub much larger than the plant needs leaves none.',
            [$context->addAir('Add air', $plan)]);
    }

    private static function topUp(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->topUps === TopUps::None || $tub->topUps === TopUps::Quarter) {
            return null;
        }
        $w = $context->write;

        return new Finding('passive.top-up', Severity::Mend, $tub->id, $tub->pointer('/top_ups'),
            $tub->topUps === TopUps::Half
                ? sprintf('Half of the first fill at a time (%s) drowns air roots. Give a quarter, %s.', $w->volume($plan->working() / 2), $w->volume($plan->working() / 4))
                : sprintf('Refilled to the line, the air roots drown. Give a quarter of the first fill at a time, %s, or add air.', $w->volume($plan->working() / 4)),
            'Roots that have grown in the air gap cannot live under water again.',
            [
                new Remedy('Top up a quarter at a time', $context->patch->set($tub->pointer('/top_ups'), 'quarter')),
                $context->addAir('Add air and refill freely', $plan),
            ]);
    }
}
