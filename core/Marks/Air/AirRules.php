<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\Supply;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\AirEdits;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Marks\Tub\PlantRemedies;
use KelpTub\Core\Marks\Tub\TubPlan;

/** Air and oxygen: stones, flows, the balance, and the siphon. Source: handbook, rules section 7. */
final class AirRules
{
    private const WARM_C = 24.0;

    /** Most stones that a remedy proposes. */
    private const MOST_STONES = 8;

    /** Valve settings that a remedy proposes, from open to nearly shut. */
    private const VALVES = [0.8, 0.6, 0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1, 0.05];

    /** Settings of the other valves that a remedy tries, the widest first. */
    private const BALANCE = [0.6, 0.4, 0.25, 0.15];

    /** A tub with a longer mouth is not stirred by one plume, mm. */
    private const LONG_MM = 600.0;

    /** Stones are raised by so much at a time, mm. */
    private const RAISED_MM = 50.0;

    private const ROUNDING = 1.0e-9;

    /** @return list<Finding> */
    public static function ofTub(TubPlan $plan, RuleContext $context): array
    {
        if (! $plan->tub->system->isAerated()) {
            return array_filter([self::stonesInStillWater($plan, $context)]);
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

    /** Stones in a passive tub do nothing by themselves: it is run with air, or they are left out. */
    private static function stonesInStillWater(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->water->stones === null && ! self::isFed($tub, $context)) {
            return null;
        }

        return new Finding('air.still', Severity::Mind, $tub->id, $tub->pointer('/stones'),
            'This tub is run as still water, and there is air for it. Run it with air, or take stones and line out.',
            'Bubbles wet the roots that have grown in the air gap, and a tub with air may be filled up again freely.',
            [
                $context->addAir('Run it with air', $tub),
                new Remedy('Take stones and line out', [
                    ...($tub->water->stones === null ? [] : $context->patch->set($tub->pointer('/stones'), null)),
                    ...(new AirEdits($context->plan->garden, $context->patch))->cut($tub->id),
                ]),
            ]);
    }

    /** @return list<Finding> */
    public static function ofSystem(AirPlan $air, RuleContext $context): array
    {
        $findings = [self::siphon($air, $context)];
        foreach (array_keys($air->tubs) as $branch) {
            $findings = [...$findings, ...self::flows($air, $branch, $context), self::night($air, $branch, $context)];
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
        $level = OxygenBalance::judged($steady, $floor);
        if ($level === null) {
            return null;
        }
        $severity = Severity::ofLevel($level);
        $w = $context->write;
        $wanted = $w->number($severity === Severity::Mind ? OxygenBalance::MIND_MG_L : $floor, 0, 'mg/L');

        return new Finding('air.oxygen', $severity, $tub->id, $tub->pointer('/stones'),
            sprintf(
                'Oxygen settles at %s with grown plants; %s. Bring in more air, or plant fewer.',
                $w::under($w->number($steady, 1, 'mg/L'), $wanted),
                $severity === Severity::Mind ? "$wanted is wanted" : "$wanted is the floor",
            ),
            sprintf(
                'Roots ask for %s and the water can hold %s at most.',
                $w->number($balance->demand, 0, 'mg/h'),
                $w->number($balance->saturation, 1, 'mg/L'),
            ),
            fn (): array => self::isAired($plan, $context)
                ? self::moreOxygen($plan, $balance, $context)
                : [$context->addAir('Add a stone and a line', $plan->tub)],
            $balance->saturation - $steady);
    }

    /** A pump that runs by the sun stands still in the dark, when its battery is empty: what the oxygen comes to by then, grown. */
    private static function night(AirPlan $air, int $branch, RuleContext $context): ?Finding
    {
        $plan = $air->tubs[$branch];
        $plans = $context->plan->get(AirPlans::class);
        $balance = $plans->tubs[$plan->tub->id]->balance;
        $sun = $context->plan->garden->site->sunHours;
        $still = $plans->hoursStill($plan->tub->id, $sun);
        $low = $plans->leastOxygen($plan->tub->id, $sun, $plan->water->working());
        if ($still <= 0.0 || $balance === null || $low === null || $plan->plants->mix->isEmpty()) {
            return null;
        }
        $battery = $air->system->pump->hoursOn($air->system->pump->batteryInside ?? 0.0) ?? 0.0;
        $floor = $plan->tub->planting->density->oxygenFloor();
        $level = OxygenBalance::judged($low, $floor);
        if ($level === null || $level <= (OxygenBalance::judged($balance->steady(), $floor) ?? 0)) {
            return null;
        }
        $w = $context->write;

        return new Finding('air.night', Severity::ofLevel($level), $plan->tub->id,
            $air->system->pointer('/pump'),
            sprintf(
                'This pump runs by the sun: %s a day, and %s more by its battery. Then nothing bubbles for %s, and oxygen falls to %s.',
                $w->number($sun, 1, 'h'),
                $w->number($battery, 1, 'h'),
                $w->number($still, 1, 'h'),
                $w->number($low, 1, 'mg/L'),
            ),
            'Roots breathe at night too. A pump on the mains, or a battery that lasts until morning, keeps the air going.',
            static function () use ($air, $context): array {
                $mains = array_filter($context->pumpsBySize(), static fn (Pump $p): bool => $p->supply === Supply::Mains);
                $way = Remedy::inTurn(
                    array_values($mains),
                    static fn (Pump $p): Remedy => $context->set("Use the $p->name", $air->system->pointer('/pump'), $p->key),
                );

                return $way === null ? [] : [$way];
            },
            OxygenBalance::MIND_MG_L - $low);
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

    /** A plume stirs the whole of a small tub; a cup far from every stone is worth a word in a long one, or where oxygen is short. */
    private static function farCup(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($plan->fittings->stones === [] || $tub->water->stones === null || $plan->holes->count() === 0) {
            return null;
        }
        $farthest = StonePlacement::farthestCup($plan->holes->arrangement->points, $plan->fittings->stones);
        $balance = $context->plan->get(AirPlans::class)->tubs[$tub->id]->balance;
        $short = $balance !== null && ! $plan->plants->mix->isEmpty() && $balance->steady() < OxygenBalance::MIND_MG_L;
        $mouth = $tub->body->vessel->profile->mouth();
        if (
            $farthest <= StonePlacement::REACH_MM + self::ROUNDING
            || (! $short && max($mouth->length, $mouth->width) <= self::LONG_MM)
        ) {
            return null;
        }

        $w = $context->write;

        return new Finding('air.far-cup', Severity::Mind, $tub->id, $tub->pointer('/stones/count'),
            sprintf(
                'A cup is %s from the nearest stone, and %s is as far as its bubbles help%s. Add a stone.',
                $w::over($w->length($farthest), $w->length(StonePlacement::REACH_MM)),
                $w->length(StonePlacement::REACH_MM),
                $short ? ' where oxygen is short' : ' in a long tub',
            ),
            'Bubbles rise straight up and stir the water round them; roots far from them stand in still water.',
            fn (): array => self::moreStones($plan, $context),
            $farthest);
    }

    /** @return list<Remedy> the fewest stones with which every cup has one in reach: the fewest that may do, or those that are found to */
    private static function moreStones(TubPlan $plan, RuleContext $context): array
    {
        $stones = $plan->tub->water->stones;
        $cups = $plan->holes->arrangement->points;
        $fewest = max(StonePlacement::leastFor($cups), ($stones->count ?? 0) + 1);
        if ($stones === null || $fewest > self::MOST_STONES) {
            return [];
        }
        $use = static fn (int $count): array => $context->patch->set($plan->tub->pointer('/stones/count'), $count);
        $found = static function () use ($plan, $stones, $cups, $fewest, $use): ?Remedy {
            $floor = RoundedBox::of($plan->tub->body->vessel->profile->sectionAt(0.0));
            $others = $stones->inAll() - $stones->count;
            for ($count = $fewest + 1; $count <= self::MOST_STONES; $count++) {
                $placed = StonePlacement::of($cups, $count + $others, $floor, $stones->longest());
                if (StonePlacement::farthestCup($cups, $placed) <= StonePlacement::REACH_MM) {
                    return new Remedy("Use $count stones", $use($count));
                }
            }

            return null;
        };

        return [new Remedy("Use $fewest stones", $use($fewest), $found)];
    }

    private static function shallow(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->water->stones === null) {
            return null;
        }
        $cover = $plan->water->line->grown - $tub->water->stones->highest();
        $least = Stone::leastCover($plan->water->line->grown);
        if ($cover >= $least - self::ROUNDING || $plan->water->line->grown <= 0.0) {
            return null;
        }
        $w = $context->write;
        $remedies = [];
        if ($tub->water->stones->highest() > 0.0) {
            $height = floor($plan->water->line->grown - $least);
            $patches = [];
            foreach ($tub->water->stones->sets() as $set => $stones) {
                $patches = $stones->height > $height
                    ? [...$patches, ...$context->patch->set(self::stonesAt($tub, $set, '/height_mm'), (int) $height)]
                    : $patches;
            }
            $remedies[] = new Remedy(sprintf('Set the stones at %s', $context->write->length($height)), $patches);
        }

        return new Finding('air.shallow', Severity::Mend, $tub->id, $tub->pointer('/stones/height_mm'),
            sprintf(
                '%s over the stones; %s is the least. Use a deeper tub, lower stones or a higher line.',
                $cover > 0.0 ? 'Only '.$w::under($w->length($cover), $w->length($least)).' of water stands' : 'No water stands',
                $w->length($least),
            ),
            'Bubbles give off their oxygen on the way up; a short way gives little.', $remedies, $least - $cover);
    }

    private static function entry(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $above = $plan->fittings->tubeEntry - $plan->water->line->highest();
        if ($tub->body->tubeThroughLid || ! self::isAired($plan, $context) || $above >= TubeRoute::ABOVE_WATER_MM) {
            return null;
        }

        $w = $context->write;

        return new Finding('air.entry', Severity::Mend, $tub->id, $tub->pointer('/tube_entry'),
            sprintf(
                'The tube hole is %s the highest water; keep %s over it. Bring the tube in through the lid.',
                $above >= 0.0
                    ? $w::under($w->length($above), $w->length(TubeRoute::ABOVE_WATER_MM)).' above'
                    : $w->length(-$above).' under',
                $w->length(TubeRoute::ABOVE_WATER_MM),
            ),
            'A hole in the wall near the water leaks when the tub is moved or overfilled.',
            [$context->set('Through the lid', $tub->pointer('/tube_entry'), 'lid')]);
    }

    private static function siphon(AirPlan $air, RuleContext $context): ?Finding
    {
        if ($air->tubs === [] || $air->system->checkValve || $air->isAboveWater()) {
            return null;
        }

        $housed = array_filter($air->tubs, static fn (TubPlan $p): bool => $p->tub->body->under !== null) !== [];

        return new Finding('air.siphon', Severity::Stop, count($air->tubs) === 1 ? $air->tubs[0]->tub->id : null, $air->system->pointer(),
            'When the power fails, water siphons back through the pump and empties the tub. Fit a check valve'
                .($housed ? '.' : ', or stand the pump above the water.'),
            $housed
                ? 'The pump is housed under the water, and nothing in the line stops water running back.'
                : 'The pump stands below the water line and nothing in the line stops water running back. Either will do.',
            [
                $context->set('Fit a check valve', $air->system->pointer('/check_valve'), true),
                $context->set('Stand the pump above the water', $air->system->pointer('/above_water'), true),
            ]);
    }

    /** @return list<Finding> of each set of stones at the end of a line */
    private static function flows(AirPlan $air, int $branch, RuleContext $context): array
    {
        $plan = $air->tubs[$branch];
        $stones = $plan->tub->water->stones;
        if ($stones === null) {
            return [];
        }
        if ($air->system->branches[$branch]->valve <= 0.0) {
            return [new Finding('air.starved', Severity::Stop, $plan->tub->id, $air->system->pointer("/branches/$branch/valve"),
                sprintf('The valve of the line to %s is closed, and no air comes out of its stone. Open it.', $plan->tub->name),
                'A closed valve is a way to take a tub off its pump, not to run it.',
                fn (): array => [self::opened($air, $branch, $context)],
                $stones->stone->leastFlow)];
        }

        return array_values(array_filter(array_map(
            static fn (float $each, int $set): ?Finding => self::flow($air, $branch, $set, $each, $context),
            $air->perStone($branch),
            array_keys($stones->sets()),
        )));
    }

    /** @param  int  $set  which of the tub's stones, and $each what one of them gets, L/min */
    private static function flow(AirPlan $air, int $branch, int $set, float $each, RuleContext $context): ?Finding
    {
        $plan = $air->tubs[$branch];
        $stones = ($plan->tub->water->stones?->sets() ?? [])[$set] ?? null;
        if ($stones === null) {
            return null;
        }
        $w = $context->write;
        $at = $air->system->pointer("/branches/$branch");
        if ($each > $stones->stone->mostFlow) {
            return new Finding('air.over', Severity::Mind, $plan->tub->id, $at,
                sprintf(
                    'Each stone gets %s and is made for up to %s. Add a stone or throttle the valve.',
                    $w::over($w->number($each, 2, 'L/min'), $w->number($stones->stone->mostFlow, 1, 'L/min')),
                    $w->number($stones->stone->mostFlow, 1, 'L/min'),
                ),
                'Driven harder, bubbles run together into large ones and little more oxygen dissolves.',
                fn (): array => [
                    ...self::calmer($air, $branch, $set, $context),
                    self::oneMoreStone($plan->tub, $set, $stones->count, $context),
                ],
                $each - $stones->stone->mostFlow);
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
                    $w::under($w->small($each, 'L/min'), $w->number($stones->stone->leastFlow, 1, 'L/min')),
                    $w->number($stones->stone->leastFlow, 1, 'L/min'),
                ),
            sprintf(
                'The pump gives %s at the manifold; depth, stone and line take more than that leaves. An easy stone nearby takes the rest.',
                $w->number($air->network->pressure, 1, 'kPa'),
            ),
            fn (): array => self::fed($air, $branch, $set, $context),
            $stones->stone->leastFlow - $each);
    }

    /** @return list<Remedy> what to try against too little air, the cheapest first */
    private static function fed(AirPlan $air, int $branch, int $set, RuleContext $context): array
    {
        $tub = $air->tubs[$branch]->tub;
        $stones = ($tub->water->stones?->sets() ?? [])[$set] ?? null;

        return array_values(array_filter([
            $air->system->branches[$branch]->valve < 1.0 ? self::opened($air, $branch, $context) : null,
            self::balanced($air, $branch, $context),
            $stones !== null && $stones->count > 1 ? self::fewerStones($tub, $set, $stones->count - 1, $context) : null,
            $stones === null ? null : self::easierStone($tub, $set, $stones->stone, $context),
            $stones === null ? null : self::raisedStone($air->tubs[$branch], $set, $stones->height, $context),
            self::largerPump($air, $context),
        ]));
    }

    /** A valve opened all the way, or as far as the others on the pump bear. */
    private static function opened(AirPlan $air, int $branch, RuleContext $context): Remedy
    {
        $pointer = $air->system->pointer("/branches/$branch/valve");
        $half = $context->set('Open the valve to '.$context->write->number(50, 0, '%'), $pointer, 0.5);
        $all = $context->set('Open the valve', $pointer, 1.0);

        return new Remedy($all->says, $all->patch, static fn (): Remedy => $half);
    }

    /** The other valves on the pump throttled, no more than it takes; null where there are none. */
    private static function balanced(AirPlan $air, int $branch, RuleContext $context, int $step = 0): ?Remedy
    {
        $valve = self::BALANCE[$step] ?? null;
        if ($valve === null) {
            return null;
        }
        $next = static fn (): ?Remedy => self::balanced($air, $branch, $context, $step + 1);
        $wider = array_filter($air->system->branches, static fn (Branch $other): bool => $other->valve > $valve);
        unset($wider[$branch]);
        if ($wider === []) {
            return $next();
        }
        $open = $context->write->number(100 * $valve, 0, '%');

        return new Remedy(
            "Throttle the other valves of that pump to $open",
            array_merge(...array_map(
                static fn (int $b): array => $context->patch->set($air->system->pointer("/branches/$b/valve"), $valve),
                array_keys($wider),
            )),
            $next,
        );
    }

    /** Where a set of a tub's stones stands in the file. */
    private static function stonesAt(Tub $tub, int $set, string $rest): string
    {
        return $tub->pointer($set === 0 ? "/stones$rest" : '/stones/more/'.($set - 1).$rest);
    }

    private static function fewerStones(Tub $tub, int $set, int $count, RuleContext $context): Remedy
    {
        $way = $context->set($context->write->count($count, 'Use 1 stone', 'Use %d stones'), self::stonesAt($tub, $set, '/count'), $count);

        return new Remedy(
            $way->says,
            $way->patch,
            $count > 1 ? static fn (): Remedy => self::fewerStones($tub, $set, $count - 1, $context) : null,
        );
    }

    private static function oneMoreStone(Tub $tub, int $set, int $count, RuleContext $context): Remedy
    {
        $more = $count + 1;
        $way = $context->set("Use $more stones", self::stonesAt($tub, $set, '/count'), $more);
        $next = $more < self::MOST_STONES / 2 ? static fn (): Remedy => self::oneMoreStone($tub, $set, $more, $context) : null;

        return new Remedy($way->says, $way->patch, $next);
    }

    /** A stone that air passes more easily: coarser bubbles, then less resistance; the first of the Library that does. */
    private static function easierStone(Tub $tub, int $set, Stone $stone, RuleContext $context): ?Remedy
    {
        $ease = static fn (Stone $s): array => [$s->bubble->wettingPressure(), $s->resistance];
        $easier = array_filter(
            iterator_to_array($context->library->stones),
            static fn (Stone $s): bool => $ease($s) < $ease($stone) && $s->leastFlow <= $stone->leastFlow,
        );
        uasort($easier, static fn (Stone $a, Stone $b): int => $ease($b) <=> $ease($a));

        return Remedy::inTurn(
            array_keys($easier),
            static fn (string $key): Remedy => $context->set("Use the {$easier[$key]->name}", self::stonesAt($tub, $set, '/kind'), $key),
        );
    }

    /** Stones hung higher, where air has less water to push aside: no higher than they stay covered, as little as it takes. */
    private static function raisedStone(TubPlan $plan, int $set, float $from, RuleContext $context): ?Remedy
    {
        $line = $plan->water->line->grown;
        $highest = floor($line - Stone::leastCover($line));
        $height = min($highest, $from + self::RAISED_MM);
        if ($height <= $from) {
            return null;
        }
        $way = $context->set(
            'Hang the stones at '.$context->write->length($height),
            self::stonesAt($plan->tub, $set, '/height_mm'),
            (int) $height,
        );

        return new Remedy($way->says, $way->patch, static fn (): ?Remedy => self::raisedStone($plan, $set, $height, $context));
    }

    /** The smallest larger pump of the Library that does; null where it has none. */
    private static function largerPump(AirPlan $air, RuleContext $context): ?Remedy
    {
        $here = $air->system->pump;
        $larger = array_filter(
            $context->pumpsBySize(),
            static fn (Pump $p): bool => $p->freeFlow() > $here->freeFlow() || $p->maxPressure() > $here->maxPressure(),
        );

        return Remedy::inTurn(
            array_values($larger),
            static fn (Pump $p): Remedy => $context->set("Use the $p->name", $air->system->pointer('/pump'), $p->key),
        );
    }

    /** @return list<Remedy> the widest valve setting at which the stones get no more than they are made for */
    private static function calmer(AirPlan $air, int $branch, int $set, RuleContext $context): array
    {
        $stones = ($air->tubs[$branch]->tub->water->stones?->sets() ?? [])[$set] ?? null;
        if ($stones === null) {
            return [];
        }
        // The less a valve is open the less flows: halve the settings until the widest that will do is found.
        [$found, $low, $high] = [null, 0, count(self::VALVES) - 1];
        while ($low <= $high) {
            $middle = intdiv($low + $high, 2);
            $turned = AirPlanner::turned($air, $branch, self::VALVES[$middle]);
            $each = $turned->perStone($branch)[$set];
            if ($each <= $stones->stone->mostFlow) {
                [$found, $high] = [$each >= $stones->stone->leastFlow ? self::VALVES[$middle] : null, $middle - 1];
            } else {
                $low = $middle + 1;
            }
        }

        return $found === null || $found >= $air->system->branches[$branch]->valve ? [] : [
            $context->set(
                sprintf('Throttle the valve to %s', $context->write->number($found * 100, 0, '%')),
                $air->system->pointer("/branches/$branch/valve"),
                $found,
            ),
        ];
    }

    /** @return list<Remedy> what brings more oxygen, or lets fewer roots share it */
    private static function moreOxygen(TubPlan $plan, OxygenBalance $balance, RuleContext $context): array
    {
        $ways = [];
        foreach ($context->plan->get(AirPlans::class)->systems as $air) {
            foreach ($air->tubs as $branch => $fed) {
                if ($fed->tub->id === $plan->tub->id) {
                    $ways[] = $air->system->branches[$branch]->valve < 1.0 ? self::opened($air, $branch, $context) : null;
                    $ways[] = self::largerPump($air, $context);
                }
            }
        }
        $fewer = (int) floor($plan->plants->count * min(1.0, $balance->demandHeldAt(OxygenBalance::MIND_MG_L) / $balance->demand));
        $ways[] = $fewer >= 1 && $fewer < $plan->plants->count ? PlantRemedies::plants($plan, $fewer, $context) : null;

        return array_values(array_filter($ways));
    }
}
