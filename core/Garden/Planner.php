<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Cost\Budget;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\File\Library;
use KelpTub\Core\Lid\FreshMemory;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlanner;
use KelpTub\Core\Marks\Cost\PartsFromDesign;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlanner;
use stdClass;

/** Garden in, plan out: a pure function of the garden and the Library. */
final readonly class Planner
{
    public function __construct(private Library $library, private LayoutMemory $memory = new FreshMemory)
    {
    }

    public function plan(Garden $garden): GardenPlan
    {
        $tubPlanner = new TubPlanner($garden, $this->memory);
        $tubs = [];
        foreach ($garden->tubs as $tub) {
            $tubs[$tub->id] = $tubPlanner->plan($tub);
        }
        $airPlanner = new AirPlanner($garden->site);
        $air = array_map(static fn (AirSystem $system): AirPlan => $airPlanner->system($system, $tubs), $garden->air);
        $oxygen = array_map(static fn (TubPlan $plan): TubAir => $airPlanner->tub($plan, $air), $tubs);
        $purchases = $this->purchases($garden, PartsFromDesign::of($this->library, $tubs, $air));
        $count = $plants = 0;
        foreach ($tubs as $plan) {
            $count += $plan->tub->count;
            $plants += $plan->plants * $plan->tub->count;
        }

        return new GardenPlan($garden, $tubs, $air, $oxygen, $purchases, Budget::of($purchases, $count, $plants, $garden->cap));
    }

    /** One tub by itself, without the air it shares. */
    public function tub(Garden $garden, Tub $tub): TubPlan
    {
        return (new TubPlanner($garden, $this->memory))->plan($tub);
    }

    /**
     * The findings on a plan, worst first.
     *
     * @return list<Finding>
     */
    public function findings(GardenPlan $plan): array
    {
        return (new FindingsList($plan, $this->library))->all();
    }

    /** Garden in, report out. */
    public function report(Garden $garden): stdClass
    {
        $plan = $this->plan($garden);

        return Report::of($plan, $this->findings($plan));
    }

    /**
     * @param  list<Need>  $needs
     * @return list<Purchase>
     */
    private function purchases(Garden $garden, array $needs): array
    {
        $own = OfferShelf::of($garden->document->prices ?? []);

        return array_map(fn (Need $need): Purchase => Purchase::of($need, PartsFromDesign::owned($garden, $need), [...$this->library->offers->for($need->key), ...$own->for($need->key)]), $needs);
    }
}
