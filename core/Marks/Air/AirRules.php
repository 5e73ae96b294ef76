<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Marks\Tub\TubPlan;

/** Air and oxygen: stones, flows, the balance, and the siphon. Source: handbook, rules section 7. */
final class AirRules
{
    private const WARM_C = 24.0;

    /** Most stones that a remedy proposes. */
    private const MOST_STONES = 8;

    /** Valve settings that a remedy proposes, from open to nearly shut. */
    private const VALVES = [0.8, 0.6, 0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1, 0.05];

    private const ROUNDING = 1.0e-9;

    /** @return list<Finding> */
    public static function ofTub(TubPlan $plan, RuleContext $context): array
    {
        if (! $plan->tub->system->isAerated()) {
            return [];
        }

        return array_values(array_filter([
            self::none($plan, $context),
            self::oxygen($plan, $context),
            self::warm($plan, $context),
            self::farCup($plan, $context),
            self::shallow($plan, $context),
            self::entry($plan, $context),
        ]));
    }

    /** @return list<Finding> */
    public static function ofSystem(AirPlan $air, RuleContext $context): array
    {
        $findings = [self::siphon($air, $context)];
        foreach (array_keys($air->tubs) as $branch) {
            $findings[] = self::flow($air, $branch, $context);
        }

        return array_values(array_filter($findings));
    }

    /** Whether bubbles reach the tub at all: a line and a stone at its end. */
    private static function isAired(TubPlan $plan, RuleContext $context): bool
    {
        return $plan->tub->water->stones !== null && self::isFed($plan->tub, $context);
    }

    private static function isFed(Tub $tub, RuleContext $context): bool
    {
        return $context->plan->garden->of(AirSystems::class)->feed($tub->id);
    }

    private static function none(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if (self::isAired($plan, $context) || ! in_array($tub->system, [GrowingSystem::Aerated, GrowingSystem::Cloner], true)) {
            return null;
        }

        return new Finding('air.none', Severity::Stop, $tub->id, self::isFed($tub, $context) ? $tub->pointer('/stones') : '/air',
            self::isFed($tub, $context)
                ? 'A line comes in and there is no stone at its end. Add one.'
                : 'No air line comes to this tub. Add a stone and a line from a pump.',
            'Roots in solution use up its oxygen within hours; the still surface alone brings in little.',
            [$context->addAir('Add a stone and a line', $plan->tub)]);
    }

    private static function oxygen(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $balance = $context->plan->get(AirPlans::class)->tubs[$tub->id]->balance;
        if ($balance === null || $plan->plants->mix->isEmpty()) {
            return null;
        }
        $steady = $balance->steady();
        $floor = $tub->planting->density->oxygenFloor();
        $severity = match (true) {
            $steady < OxygenBalance::STOP_MG_L => Severity::Stop,
            $steady < $floor => Severity::Mend,
            $steady < OxygenBalance::MIND_MG_L => Severity::Mind,
            default => null,
        };
        if ($severity === null) {
            return null;
        }
        $w = $context->write;

        return new Finding('air.oxygen', $severity, $tub->id, $tub->pointer('/stones'),
            sprintf(
                'Oxygen settles at %s with grown plants; %s is the floor. Bring in more air, or plant fewer.',
                $w->number($steady, 1, 'mg/L'),
                $w->number($floor, 0, 'mg/L'),
            ),
            sprintf(
                'Roots ask for %s and the water can hold %s at most.',
                $w->number($balance->demand, 0, 'mg/h'),
                $w->number($balance->saturation, 1, 'mg/L'),
            ),
            self::isAired($plan, $context) ? self::moreOxygen($plan, $context) : [$context->addAir('Add a stone and a line', $plan->tub)]);
    }

    private static function warm(TubPlan $plan, RuleContext $context): ?Finding
    {
        $water = $context->plan->garden->site->waterTemperatureC;
        if ($water <= self::WARM_C) {
            return null;
        }
        $w = $context->write;

        return new Finding('air.warm', Severity::Mind, $plan->tub->id, '/site/water_temperature_c',
            sprintf(
                'At %s the water holds only %s of oxygen, however much air goes in. Shade it and keep it under %s.',
                $w->temperature($water),
                $w->number($context->plan->get(AirPlans::class)->tubs[$plan->tub->id]->saturation, 1, 'mg/L'),
                $w->temperature(self::WARM_C),
            ),
            'Air cannot bring water above saturation, and roots and rot both speed up with warmth.');
    }

    private static function farCup(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($plan->fittings->stones === [] || $tub->water->stones === null || $plan->holes->count() === 0) {
            return null;
        }
        $farthest = StonePlacement::farthestCup($plan->holes->arrangement->points, $plan->fittings->stones);
        if ($farthest <= StonePlacement::REACH_MM + self::ROUNDING) {
            return null;
        }
        $remedies = [];
        $floor = RoundedBox::of($tub->body->vessel->profile->sectionAt(0.0));
        for ($count = $tub->water->stones->count + 1; $count <= self::MOST_STONES && $remedies === []; $count++) {
            if (StonePlacement::farthestCup(
                $plan->holes->arrangement->points,
                StonePlacement::of($plan->holes->arrangement->points, $count, $floor, $tub->water->stones->stone->length),
            ) <= StonePlacement::REACH_MM) {
                $remedies[] = $context->set("Use $count stones", $tub->pointer('/stones/count'), $count);
            }
        }

        return new Finding('air.far-cup', Severity::Mind, $tub->id, $tub->pointer('/stones/count'),
            sprintf(
                'A cup is %s from the nearest stone; %s is as far as it helps. Add a stone.',
                $context->write->length($farthest),
                $context->write->length(StonePlacement::REACH_MM),
            ),
            'Bubbles rise straight up; roots far from them stand in still water.', $remedies);
    }

    private static function shallow(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->water->stones === null) {
            return null;
        }
        $cover = $plan->water->line->grown - $tub->water->stones->height;
        if ($cover >= Stone::LEAST_COVER_MM) {
            return null;
        }
        $remedies = [];
        if ($tub->water->stones->height > 0.0 && $plan->water->line->grown >= Stone::LEAST_COVER_MM) {
            $height = floor($plan->water->line->grown - Stone::LEAST_COVER_MM);
            $remedies[] = $context->set(
                sprintf('Set the stones at %s', $context->write->length($height)),
                $tub->pointer('/stones/height_mm'),
                (int) $height,
            );
        }

        return new Finding('air.shallow', Severity::Mend, $tub->id, $tub->pointer('/stones/height_mm'),
            sprintf(
                'Only %s of water stands over the stones; %s is the least. Use a deeper tub, lower stones or a higher line.',
                $context->write->length(max(0.0, $cover)),
                $context->write->length(Stone::LEAST_COVER_MM),
            ),
            'Bubbles give off their oxygen on the way up; a short way gives little.', $remedies);
    }

    private static function entry(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $above = $plan->fittings->tubeEntry - $plan->water->line->highest();
        if ($tub->body->tubeThroughLid || ! self::isAired($plan, $context) || $above >= TubeRoute::ABOVE_WATER_MM) {
            return null;
        }

        return new Finding('air.entry', Severity::Mend, $tub->id, $tub->pointer('/tube_entry'),
            sprintf(
                'The tube hole is %s above the highest water; keep %s. Bring the tube in through the lid.',
                $context->write->length($above),
                $context->write->length(TubeRoute::ABOVE_WATER_MM),
            ),
            'A hole in the wall near the water leaks when the tub is moved or overfilled.',
            [$context->set('Through the lid', $tub->pointer('/tube_entry'), 'lid')]);
    }

    private static function siphon(AirPlan $air, RuleContext $context): ?Finding
    {
        if ($air->tubs === [] || $air->system->checkValve || $air->isAboveWater()) {
            return null;
        }

        return new Finding('air.siphon', Severity::Stop, count($air->tubs) === 1 ? $air->tubs[0]->tub->id : null, $air->system->pointer(),
            'When the power fails, water siphons back through the pump and empties the tub. Fit a check valve, or stand the pump '
                .'above the water.',
            'The pump stands below the water line and nothing in the line stops water running back. Either will do.',
            [
                $context->set('Fit a check valve', $air->system->pointer('/check_valve'), true),
                $context->set('Stand the pump above the water', $air->system->pointer('/above_water'), true),
            ]);
    }

    private static function flow(AirPlan $air, int $branch, RuleContext $context): ?Finding
    {
        $plan = $air->tubs[$branch];
        $stones = $plan->tub->water->stones;
        if ($stones === null) {
            return null;
        }
        $each = $air->perStone($branch);
        $w = $context->write;
        $at = $air->system->pointer("/branches/$branch");
        if ($each > $stones->stone->mostFlow) {
            return new Finding('air.over', Severity::Mind, $plan->tub->id, $at,
                sprintf(
                    'Each stone gets %s and is made for up to %s. Add a stone or throttle the valve.',
                    $w->number($each, 2, 'L/min'),
                    $w->number($stones->stone->mostFlow, 1, 'L/min'),
                ),
                'Driven harder, bubbles run together into large ones and little more oxygen dissolves.',
                self::calmer($air, $branch, $context));
        }
        if ($each >= $stones->stone->leastFlow) {
            return null;
        }
        $starved = $each <= 0.0;

        return new Finding($starved ? 'air.starved' : 'air.weak', $starved ? Severity::Stop : Severity::Mend, $plan->tub->id, $at,
            $starved
                ? sprintf('No air comes out of the stone in %s. Use coarser or shallower stones, or a stronger pump.', $plan->tub->name)
                : sprintf(
                    'Each stone gets %s and needs %s. Use fewer stones or a stronger pump.',
                    $w->number($each, 2, 'L/min'),
                    $w->number($stones->stone->leastFlow, 1, 'L/min'),
                ),
            sprintf(
                'The pump gives %s at the manifold; depth, stone and line take more than that leaves. An easy stone nearby takes the rest.',
                $w->number($air->network->pressure, 1, 'kPa'),
            ),
            self::stronger($air, $branch, $context));
    }

    /** @return list<Pump> those of the Library, the smallest first */
    private static function pumpsBySize(RuleContext $context): array
    {
        $pumps = array_values(iterator_to_array($context->library->pumps));
        usort($pumps, static fn (Pump $a, Pump $b): int => $a->freeFlow() <=> $b->freeFlow());

        return $pumps;
    }

    /** @return list<Remedy> a stronger pump from the Library with which this branch gets enough, the smallest first */
    private static function stronger(AirPlan $air, int $branch, RuleContext $context): array
    {
        foreach (self::pumpsBySize($context) as $pump) {
            $solved = AirPlanner::pumpedBy($air, $pump);
            $stones = $air->tubs[$branch]->tub->water->stones;
            if ($stones !== null && $solved->perStone($branch) >= $stones->stone->leastFlow) {
                return [$context->set("Use the $pump->name", $air->system->pointer('/pump'), $pump->key)];
            }
        }

        return [];
    }

    /** @return list<Remedy> the widest valve setting at which the stones get no more than they are made for */
    private static function calmer(AirPlan $air, int $branch, RuleContext $context): array
    {
        $stones = $air->tubs[$branch]->tub->water->stones;
        if ($stones === null) {
            return [];
        }
        // The less a valve is open the less flows: halve the settings until the widest that will do is found.
        [$found, $low, $high] = [null, 0, count(self::VALVES) - 1];
        while ($low <= $high) {
            $middle = intdiv($low + $high, 2);
            $turned = AirPlanner::turned($air, $branch, self::VALVES[$middle]);
            if ($turned->perStone($branch) <= $stones->stone->mostFlow) {
                [$found, $high] = [$turned->perStone($branch) >= $stones->stone->leastFlow ? self::VALVES[$middle] : null, $middle - 1];
            } else {
                $low = $middle + 1;
            }
        }

        return $found === null || $found >= $air->system->branches[$branch]->valve ? [] : [
            $context->set(
                sprintf('Open the valve to %s %%', $context->write->number($found * 100, 0)),
                $air->system->pointer("/branches/$branch/valve"),
                $found,
            ),
        ];
    }

    /** @return list<Remedy> the least change that brings the oxygen over the mark */
    private static function moreOxygen(TubPlan $plan, RuleContext $context): array
    {
        $planner = new AirPlanner($context->plan->garden->site);
        foreach ($context->plan->get(AirPlans::class)->systems as $air) {
            foreach ($air->tubs as $fed) {
                if ($fed->tub->id !== $plan->tub->id) {
                    continue;
                }
                foreach (self::pumpsBySize($context) as $pump) {
                    if ($pump->freeFlow() <= $air->system->pump->freeFlow()) {
                        continue;
                    }
                    $others = array_values(
                        array_filter($context->plan->get(AirPlans::class)->systems, static fn (AirPlan $a): bool => $a !== $air),
                    );
                    $solved = $planner->tub($plan, [...$others, AirPlanner::pumpedBy($air, $pump)]);
                    if (($solved->balance?->steady() ?? 0.0) >= OxygenBalance::MIND_MG_L) {
                        return [$context->set("Use the $pump->name", $air->system->pointer('/pump'), $pump->key)];
                    }
                }
            }
        }

        return [];
    }
}
