<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Marks\Tub\TubPlan;

/** Each pump's network, and the air and oxygen in each tub. */
final readonly class AirPlans
{
    /**
     * @param  list<AirPlan>  $systems
     * @param  array<string, TubAir>  $tubs  by tub id
     */
    public function __construct(public array $systems, public array $tubs)
    {
    }

    /** @return list<Pump> those that blow into a tub */
    public function pumpsOf(string $tub): array
    {
        $feeds = static fn (AirPlan $air): bool => in_array($tub, array_column($air->system->branches, 'tub'), true);

        return array_map(static fn (AirPlan $air): Pump => $air->system->pump, array_values(array_filter($this->systems, $feeds)));
    }

    /** Hours of a day on which no air comes into a tub, since all of its pumps run by a sun that shines for so many. */
    public function hoursStill(string $tub, float $sunHours): float
    {
        $still = array_map(static fn (Pump $p): float => $p->hoursStill($sunHours), $this->pumpsOf($tub));

        return $still === [] ? 0.0 : min($still);
    }

    /** The least oxygen of a day with the plants grown, mg/L: steady, or as low as the dark brings it; null of a passive tub. */
    public function leastOxygen(string $tub, float $sunHours, float $litres): ?float
    {
        $balance = $this->tubs[$tub]->balance;
        $still = $this->hoursStill($tub, $sunHours);

        return $still > 0.0 ? $balance?->afterMinutes(60 * $still, $litres) : $balance?->steady();
    }

    /**
     * A pump's network as it was solved for the same tubs; null where something of it has changed.
     *
     * @param  array<string, TubPlan>  $tubs  by id
     */
    public function same(AirSystem $system, array $tubs): ?AirPlan
    {
        foreach ($this->systems as $known) {
            $fed = array_map(static fn (Branch $b): ?TubPlan => $tubs[$b->tub] ?? null, $system->branches);
            if ($known->system == $system && $known->tubs === $fed) {
                return $known;
            }
        }

        return null;
    }

    /**
     * The air of a tub that is planned as it was, where the pumps that feed it are those that did.
     *
     * @param  list<AirPlan>  $systems
     */
    public function sameTub(TubPlan $tub, array $systems): ?TubAir
    {
        $feeding = static fn (array $all): array => array_values(
            array_filter($all, static fn (AirPlan $plan): bool => in_array($tub, $plan->tubs, true)),
        );

        return $feeding($systems) === $feeding($this->systems) ? $this->tubs[$tub->tub->id] ?? null : null;
    }
}
