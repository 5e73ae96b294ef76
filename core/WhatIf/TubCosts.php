<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Air\Pump;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\CostFigures;
use KelpTub\Core\Marks\Cost\CostPlan;
use stdClass;

/** What each tub of a garden costs by itself, one more of it, and three of it alike bought at once. Source: handbook, build. */
final readonly class TubCosts
{
    private const ALIKE = 3;

    public function __construct(private Planner $planner)
    {
    }

    /** @return list<stdClass> */
    public function of(Garden $garden): array
    {
        $figures = new CostFigures($this->planner->plan($garden));

        return array_map(function (Tub $tub) use ($garden, $figures): stdClass {
            $one = $this->planner->plan($this->planner->of(self::alike($garden, $tub, 1)));
            [$three, $air] = $this->three($garden, $tub, $one);

            return (object) [
                'id' => $tub->id,
                'name' => $tub->name,
                'alone' => self::outlay($one),
                'next' => $figures->nextTub($tub),
                'three' => $three,
                'three_air' => $air,
            ];
        }, $garden->tubs);
    }

    /**
     * Three of a tub on its pump where that serves them as well as one; else the cheapest of a larger pump that does, and of a pump each.
     *
     * @return array{float, string|null} what they cost, and their air where it is another: "the 8 W pump, four outlets", "a pump each"
     */
    private function three(Garden $garden, Tub $tub, Plan $one): array
    {
        $three = self::alike($garden, $tub, self::ALIKE);
        $plan = $this->planner->plan($this->planner->of($three));
        if ($three->air === [] || $this->lacking($plan) <= $this->lacking($one)) {
            return [self::outlay($plan), null];
        }
        $best = [self::outlay($this->planner->plan($this->planner->of(self::withPumpEach($three)))), 'a pump each'];
        foreach ($this->strongerPumps($plan) as $pump) {
            $document = clone $three;
            $document->air = array_map(
                static fn (stdClass $system): stdClass => (object) [...get_object_vars($system), 'pump' => $pump->key],
                $three->air,
            );
            $plan = $this->planner->plan($this->planner->of($document));
            if (self::outlay($plan) < $best[0] && $this->lacking($plan) <= $this->lacking($one)) {
                $best = [self::outlay($plan), 'the '.lcfirst($pump->name)];
            }
        }

        return $best;
    }

    /** @return list<Pump> of the Library with more air than the pumps there are */
    private function strongerPumps(Plan $plan): array
    {
        $now = max([0.0, ...array_map(
            static fn (AirPlan $air): float => $air->system->pump->freeFlow(),
            $plan->get(AirPlans::class)->systems,
        )]);
        $all = array_values(iterator_to_array($this->planner->aids->library->pumps));

        return array_values(array_filter($all, static fn (Pump $pump): bool => $pump->freeFlow() > $now));
    }

    /** So many of one tub in a garden of their own. */
    private static function alike(Garden $garden, Tub $tub, int $count): stdClass
    {
        $document = SingleTub::alone($garden, $tub);
        $document->tubs[0]->count = $count;
        $document->builds = [];

        return $document;
    }

    /** A tub that stands several times as so many tubs, each with the air of one. */
    private static function withPumpEach(stdClass $document): stdClass
    {
        $apart = clone $document;
        $tub = $document->tubs[0];
        $apart->tubs = $apart->air = [];
        for ($i = 0; $i < $tub->count; $i++) {
            $id = "$tub->id-$i";
            $apart->tubs[] = (object) [...get_object_vars($tub), 'id' => $id, 'count' => 1];
            foreach ($document->air as $system) {
                $apart->air[] = (object) [
                    ...get_object_vars($system),
                    'id' => "$system->id-$i",
                    'branches' => array_map(
                        static fn (stdClass $branch): stdClass => (object) [...get_object_vars($branch), 'tub' => $id],
                        $system->branches,
                    ),
                ];
            }
        }

        return $apart;
    }

    /** How many findings of the air want mending, or stop. */
    private function lacking(Plan $plan): int
    {
        return count(array_filter(
            $this->planner->findings($plan),
            static fn (Finding $f): bool => $f->severity !== Severity::Mind && preg_match('/^(air|season\.air)/', $f->code) === 1,
        ));
    }

    private static function outlay(Plan $plan): float
    {
        return $plan->get(CostPlan::class)->budget->outlay;
    }
}
