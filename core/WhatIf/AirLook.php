<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Trouble;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlanner;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Air\AirReport;
use KelpTub\Core\Marks\Air\AirTrouble;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Numbers\Crossing;
use stdClass;

/**
 * A tub's air looked at closely: the pump's curve crossed by its lines', oxygen against air, oxygen after a power cut, what the power
 * takes; on a day, and with something gone wrong.
 */
final readonly class AirLook
{
    private const CURVE_POINTS = 25;

    /** The lines' curve is drawn up to so much of the pump's free flow, found to within so many kPa. */
    private const DRAWN_TO = 1.1;

    private const DRAWN_KPA = 1.0e-4;

    private const OUTAGE_POINTS = 30;

    /** A power cut is drawn for no longer than this, h. */
    private const LONGEST_CUT_H = 24.0;

    private const MONTHS_A_YEAR = 12;

    private const HOURS_A_YEAR = 8760;

    /** What the next of air would bring is said for so much of it, L/min. */
    private const NEXT_L_MIN = 1.0;

    /** Times the air that there is, up to which oxygen is drawn. */
    private const MOST_TIMES = 3.0;

    public function __construct(private Planner $planner)
    {
    }

    /** @param  int  $day  from transplanting; the plants of that day beside the grown ones */
    public function of(Garden $garden, Tub $tub, int $day, ?Trouble $trouble, float $batteryWh): stdClass
    {
        $plan = $this->planner->plan($garden);
        $plans = $plan->get(AirPlans::class);
        $tubs = $plan->get(TubPlans::class)->tubs;
        $wrong = $trouble === null ? null : self::wrong($garden, $tubs, $tub, $trouble);
        $then = $wrong ?? $plans;
        $air = self::pumpOf($then, $tub);

        return (object) [
            'trouble' => $trouble?->value,
            'air' => array_map(AirReport::ofSystem(...), $then->systems),
            'oxygen' => array_values(array_map(
                static fn (TubPlan $p): stdClass => (object) [
                    'tub' => $p->tub->id,
                    'steady_mg_l' => $then->tubs[$p->tub->id]->balance?->steady(),
                    'air_l_min' => $then->tubs[$p->tub->id]->flow,
                ],
                $tubs,
            )),
            'curves' => $air === null ? null : self::curves($air, self::pumpOf($plans, $tub) ?? $air),
            'oxygen_by_air' => self::byAir($then, $tub),
            'outage' => self::outage($plan, $then, $tub, $day, $batteryWh),
            'energy' => $air === null ? null : self::energy($air->system->pump, $plan, $batteryWh),
            'valves' => $air === null ? null : self::valves($plans, $tub, $plan),
        ];
    }

    /** @param  array<string, TubPlan>  $tubs */
    private static function wrong(Garden $garden, array $tubs, Tub $tub, Trouble $trouble): AirPlans
    {
        $planner = new AirPlanner($garden->site, new AirTrouble($trouble, $tub->id));
        $systems = array_map(static fn ($s): AirPlan => $planner->system($s, $tubs), $garden->of(AirSystems::class)->systems);

        return new AirPlans($systems, array_map(static fn (TubPlan $p) => $planner->tub($p, $systems), $tubs));
    }

    private static function pumpOf(AirPlans $plans, Tub $tub): ?AirPlan
    {
        foreach ($plans->systems as $air) {
            if (in_array($tub->id, array_column($air->system->branches, 'tub'), true)) {
                return $air;
            }
        }

        return null;
    }

    /** The pump's curve and what all its lines together take at each pressure; where they cross is how it runs. */
    private static function curves(AirPlan $air, AirPlan $whole): stdClass
    {
        $taken = static function (float $pressure) use ($air): float {
            $flow = 0.0;
            foreach ($air->lines as $b => $line) {
                $flow += $line === null ? 0.0 : $line->flowAt($pressure) * $air->tubs[$b]->tub->count;
            }

            return $flow;
        };
        $pump = $whole->system->pump;
        $most = Crossing::of(
            static fn (float $pressure): float => self::DRAWN_TO * $pump->freeFlow() - $taken($pressure),
            0.0,
            $pump->maxPressure(),
            self::DRAWN_KPA,
        );
        $trunk = $air->system->tube->resistance($air->system->trunk);
        $lines = [];
        for ($i = 0; $i <= self::CURVE_POINTS; $i++) {
            $pressure = $most * $i / self::CURVE_POINTS;
            $flow = $taken($pressure);
            $lines[] = [$flow, $pressure + $trunk * $flow];
        }
        $total = $air->network->total();

        return (object) [
            'pump' => $air->system->pump->curve,
            'new_pump' => $pump->curve,
            'lines' => $lines,
            'at' => [$total, $air->network->pressure + $trunk * $total],
            'joined' => $air->system->joined,
        ];
    }

    /** Oxygen of grown plants against the air into one tub, and what the next litre a minute would bring. */
    private static function byAir(AirPlans $plans, Tub $tub): ?stdClass
    {
        $air = $plans->tubs[$tub->id] ?? null;
        if ($air?->balance === null || $air->flow <= 0.0) {
            return null;
        }
        $most = max(self::MOST_TIMES * $air->flow, $air->flow + 2 * self::NEXT_L_MIN);
        $points = [];
        for ($i = 0; $i <= self::CURVE_POINTS; $i++) {
            $flow = $most * $i / self::CURVE_POINTS;
            $points[] = [$flow, $air->balance->withAir($flow / $air->flow)->steady()];
        }

        return (object) [
            'points' => $points,
            'now' => [$air->flow, $air->balance->steady()],
            'next_l_min' => self::NEXT_L_MIN,
            'next_mg_l' => $air->balance->withAir(($air->flow + self::NEXT_L_MIN) / $air->flow)->steady() - $air->balance->steady(),
            'saturation_mg_l' => $air->saturation,
        ];
    }

    private static function outage(Plan $plan, AirPlans $plans, Tub $tub, int $day, float $batteryWh): ?stdClass
    {
        $air = $plans->tubs[$tub->id] ?? null;
        if ($air?->balance === null) {
            return null;
        }
        $feed = $plan->get(FeedPlans::class)->of($tub->id);
        $litres = $feed->tub->water->working();
        $run = $feed->run();
        $on = max(0, min($day, count($run->days ?? []) - 1));
        $today = $run?->balance($on);
        $volume = $run === null ? $litres : $run->days[$on]->volume();
        $watts = array_sum(array_map(static fn (Pump $p): float => $p->watts, $plans->pumpsOf($tub->id)));
        $battery = self::batteryHours($plans, $tub, $batteryWh);
        $span = self::span($air->balance, $litres, $today, $volume);

        return (object) [
            'day' => $run === null ? null : $on,
            'hours' => $span,
            'grown' => self::fall($air->balance, $litres, $span),
            'today' => $today === null ? null : self::fall($today, $volume, $span),
            'grown_min' => $air->balance->outageMinutes($litres),
            'today_min' => $today?->outageMinutes($volume),
            'today_steady_mg_l' => $today?->steady(),
            'today_demand_mg_h' => $today?->demand,
            'battery_wh' => $batteryWh,
            'battery_min' => $battery === null ? null : 60 * $battery,
            'watts' => $watts,
        ];
    }

    /** Hours that a battery and what the pumps have inside keep the air going. */
    private static function batteryHours(AirPlans $plans, Tub $tub, float $wattHours): ?float
    {
        return Pump::hoursOfAll($plans->pumpsOf($tub->id), $wattHours);
    }

    /** Hours that show how it falls: twice as long as it takes to 3 mg/L, and no longer than a day. */
    private static function span(OxygenBalance $grown, float $litres, ?OxygenBalance $today, float $volume): float
    {
        $minutes = max($grown->outageMinutes($litres) ?? 0.0, min($today?->outageMinutes($volume) ?? 0.0, 60 * self::LONGEST_CUT_H));

        return max(0.5, min(self::LONGEST_CUT_H, ceil(2 * 2 * $minutes / 60) / 2));
    }

    /** @return list<array{float, float}> minutes and mg/L */
    private static function fall(OxygenBalance $balance, float $litres, float $hours): array
    {
        $points = [];
        for ($i = 0; $i <= self::OUTAGE_POINTS; $i++) {
            $minutes = 60 * $hours * $i / self::OUTAGE_POINTS;
            $points[] = [$minutes, $balance->afterMinutes($minutes, $litres)];
        }

        return $points;
    }

    private static function energy(Pump $pump, Plan $plan, float $batteryWh): stdClass
    {
        $sun = $plan->garden->site->sunHours;

        return (object) [
            'watts' => $pump->watts,
            'kwh_month' => $pump->kwhAMonth(),
            'kwh_year' => $pump->watts * self::HOURS_A_YEAR / 1000,
            'money_month' => $pump->kwhAMonth() * $plan->garden->of(MoneyWish::class)->electricityPerKwh,
            'money_year' => self::MONTHS_A_YEAR * $pump->kwhAMonth() * $plan->garden->of(MoneyWish::class)->electricityPerKwh,
            'sun_hours' => $sun,
            'panel_wp' => $pump->panelWp($sun),
            'battery_wh_day' => $pump->batteryWh(24.0),
            'dark_days' => $pump->watts > 0.0 ? (($pump->hoursOn($batteryWh) ?? 0.0) / 24) : null,
        ];
    }

    /** @return stdClass|null patches that set the valves: the same to each stone, and by what the roots ask for */
    private static function valves(AirPlans $plans, Tub $tub, Plan $plan): ?stdClass
    {
        $air = self::pumpOf($plans, $tub);
        if ($air === null || count($air->tubs) < 2) {
            return null;
        }

        return (object) [
            'same' => self::guarded(ValveWays::patch($air, ValveWays::same($air), $plan->garden), $plan->garden),
            'demand' => self::guarded(ValveWays::patch($air, ValveWays::byDemand($air, $plans), $plan->garden), $plan->garden),
        ];
    }

    /**
     * @param  list<stdClass>|null  $patch
     * @return list<stdClass>|null
     */
    private static function guarded(?array $patch, Garden $garden): ?array
    {
        return $patch === null ? null : GuardedPatch::of($garden->document, $patch);
    }
}
