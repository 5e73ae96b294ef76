<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\Line;
use KelpTub\Core\Air\Network;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Saturation;
use KelpTub\Core\Air\SubmergedShare;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Site;
use KelpTub\Core\Marks\Tub\TubPlan;

/** Solves each pump's network over the tubs it feeds, and then the oxygen in each tub. */
final readonly class AirPlanner
{
    private const METRE_MM = 1000.0;

    public function __construct(private Site $site, private AirTrouble $trouble = new AirTrouble)
    {
    }

    /** @param  array<string, TubPlan>  $tubs by id */
    public function system(AirSystem $system, array $tubs): AirPlan
    {
        $plans = $routes = $lines = [];
        foreach ($system->branches as $branch) {
            $plan = $tubs[$branch->tub];
            $plans[] = $plan;
            $routes[] = $route = $plan->tubeRoute(
                $branch->distance,
                $plan->tub->body->under === null ? $system->height : $plan->tub->body->stand + $plan->tub->body->under->floor,
            );
            $stones = $plan->tub->water->stones;
            $lines[] = $stones === null ? null : Line::of(
                $stones,
                $plan->water->line->grown,
                $system->tube,
                $route->length(),
                $this->trouble->valve($branch),
                ($system->checkValve ? 1 : 0) + $this->trouble->checkValves($system),
                $this->trouble->clogging($branch),
            );
        }

        return self::solve($this->trouble->pumped($system), $plans, $routes, $lines);
    }

    /** The same system with one branch's valve at another setting. */
    public static function turned(AirPlan $plan, int $branch, float $valve): AirPlan
    {
        $lines = $plan->lines;
        $lines[$branch] = $lines[$branch]?->withValve($valve);

        return self::solve($plan->system, $plan->tubs, $plan->routes, array_values($lines));
    }

    /**
     * @param  list<TubPlan>  $plans
     * @param  list<TubeRoute>  $routes
     * @param  list<Line|null>  $lines
     */
    private static function solve(AirSystem $system, array $plans, array $routes, array $lines): AirPlan
    {
        $there = array_filter($lines, static fn (?Line $line): bool => $line !== null);
        $solved = Network::solve(
            $system->pump,
            array_values($there),
            $system->joined,
            $system->tube->resistance($system->trunk),
            array_map(static fn (int $i): int => $plans[$i]->tub->count, array_keys($there)),
        );
        $flows = array_combine(array_keys($there), $solved->flows) + array_fill(0, count($plans), 0.0);
        ksort($flows);

        return new AirPlan($system, $plans, $routes, $lines, array_values($flows), $solved);
    }

    /** @param  list<AirPlan>  $systems */
    public function tub(TubPlan $plan, array $systems): TubAir
    {
        $flow = $transfer = 0.0;
        $stones = $pumps = [];
        foreach ($systems as $system) {
            foreach ($system->tubs as $i => $fed) {
                $line = $system->lines[$i];
                if ($fed->tub->id !== $plan->tub->id || $line === null) {
                    continue;
                }
                $pumps[] = $system->system->pump;
                $flow += $system->flows[$i];
                foreach ($line->dealt($system->flows[$i]) as $s => $air) {
                    $out = $line->outflows[$s];
                    $transfer += OxygenBalance::standardTransfer($out->set->stone->bubble, $out->submergence, $air);
                    $stones[] = [OxygenBalance::standardTransfer($out->set->stone->bubble, self::METRE_MM, $air), $out->set->height];
                }
            }
        }
        $celsius = $this->site->waterTemperatureC;
        $saturation = Saturation::at($celsius, $this->site->altitudeM, Saturation::SALT_G_L_PER_MS_CM * $plan->plants->mix->middleEc());
        if (! $plan->tub->system->isAerated()) {
            return new TubAir($flow, $saturation, null);
        }
        $demand = OxygenBalance::demand(
            $plan->plants->mix->rootOxygen(),
            SubmergedShare::of($plan->tub->system, $plan->tub->water->line()),
            $celsius,
        );
        $area = $plan->tub->body->vessel->profile->sectionAt($plan->water->line->grown)->area() / 1.0e6;

        $drips = $plan->tub->system === GrowingSystem::Nursery && $plan->holes->count() > 0;
        $trickle = $drips ? $plan->tub->water->drip->litresADay() / 24 : 0.0;

        $balance = OxygenBalance::of($saturation, $demand, $transfer, $area, $celsius, $trickle);

        return new TubAir($flow, $saturation, $balance, $trickle, $stones, Pump::hoursOfAll($pumps, 0.0) ?? 0.0);
    }
}
