<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\Marks\Air\AirRules;
use KelpTub\Core\Marks\Cost\CostRules;
use KelpTub\Core\Marks\Crop\CropRules;
use KelpTub\Core\Marks\Crop\PassiveRules;
use KelpTub\Core\Marks\Lid\CupRules;
use KelpTub\Core\Marks\Lid\LidRules;
use KelpTub\Core\Marks\Tub\SystemRules;
use KelpTub\Core\Marks\Tub\VesselRules;

/** Asks every rule about a plan and lists what they find, worst first and in the garden's order. */
final readonly class FindingsList
{
    public function __construct(private GardenPlan $plan, private Library $library)
    {
    }

    /** @return list<Finding> */
    public function all(): array
    {
        $context = new RuleContext($this->plan, $this->library);
        $findings = [];
        foreach ($this->plan->tubs as $tub) {
            $findings = [
                ...$findings,
                ...VesselRules::of($tub, $context),
                ...CupRules::of($tub, $context),
                ...LidRules::of($tub, $context),
                ...CropRules::of($tub, $context),
                ...PassiveRules::of($tub, $context),
                ...SystemRules::of($tub, $context),
                ...AirRules::ofTub($tub, $context),
            ];
        }
        foreach ($this->plan->air as $air) {
            $findings = [...$findings, ...AirRules::ofSystem($air, $context)];
        }
        $findings = [...$findings, ...CostRules::of($context)];
        usort($findings, static fn (Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
    }
}
