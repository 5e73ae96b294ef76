<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartCheck;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\AirEdits;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\PlanningAids;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/** Pumps and their lines as networks, and the oxygen that comes of them. */
final class AirMark extends Mark
{
    private const DEFAULT_TUBE = 'tube-4-6';

    private const DEFAULT_DISTANCE_MM = 1000.0;

    /** A valve is closed, or open by no less than this share. */
    private const LEAST_VALVE = 0.01;

    public function key(): string
    {
        return 'air';
    }

    public function faults(stdClass $document, Library $library): array
    {
        $tubs = array_map(static fn (stdClass $tub): string => $tub->id, $document->tubs ?? []);
        $faults = [];
        $taken = [];
        foreach ($document->air ?? [] as $i => $air) {
            if (isset($taken[$air->id])) {
                $faults[] = new Fault("/air/$i/id", "is \"$air->id\", which another pump has already; ids are unique");
            }
            $taken[$air->id] = true;
            $faults = [
                ...$faults,
                ...PartCheck::part($air->pump, $library->pumps, "/air/$i/pump", 'pump', PartCheck::pump(...)),
                ...PartCheck::part($air->tube ?? self::DEFAULT_TUBE, $library->tubes, "/air/$i/tube", 'tube', PartCheck::tube(...)),
            ];
            foreach ($air->branches ?? [] as $b => $branch) {
                if (($branch->valve ?? 0) > 0 && $branch->valve < self::LEAST_VALVE) {
                    $faults[] = new Fault(
                        "/air/$i/branches/$b/valve",
                        "is $branch->valve; it is 0 for closed, or from ".self::LEAST_VALVE.' to 1',
                    );
                }
                if (! in_array($branch->tub, $tubs, true)) {
                    $faults[] = new Fault("/air/$i/branches/$b/tub", "is \"$branch->tub\", and no tub of this garden has that id");
                }
            }
        }

        return $faults;
    }

    public function withoutTub(string $tub, Garden $garden, PatchMaker $patch): array
    {
        return (new AirEdits($garden, $patch))->cut($tub);
    }

    public function withCopy(string $tub, string $copy, Garden $garden, PatchMaker $patch): array
    {
        $lines = [];
        foreach ($garden->document->air ?? [] as $i => $system) {
            foreach ($system->branches ?? [] as $branch) {
                $also = (object) [...get_object_vars($branch), 'tub' => $copy];
                $lines = $branch->tub === $tub ? [...$lines, ...$patch->append("/air/$i/branches", $also)] : $lines;
            }
        }

        return $lines;
    }

    public function members(): array
    {
        return ['air'];
    }

    public function read(stdClass $document, Library $library): AirSystems
    {
        return new AirSystems(
            PartReader::each(
                $document->air ?? [],
                static fn (stdClass $raw, int $index): AirSystem => self::system($raw, $index, $library),
            ),
        );
    }

    private static function system(stdClass $raw, int $index, Library $library): AirSystem
    {
        $tube = $raw->tube ?? self::DEFAULT_TUBE;

        return new AirSystem(
            $index,
            $raw->id,
            is_string($raw->pump) ? $library->pumps->get($raw->pump) : PartReader::pump($raw->pump, null),
            $raw->above_water ?? false,
            $raw->check_valve ?? false,
            (float) ($raw->height_above_floor_mm ?? 0),
            $raw->joined ?? true,
            is_string($tube) ? $library->tubes->get($tube) : PartReader::tube($tube, null),
            (float) ($raw->trunk_mm ?? 0),
            PartReader::each(
                $raw->branches ?? [],
                static fn (stdClass $b): Branch => new Branch(
                    $b->tub,
                    (float) ($b->distance_mm ?? self::DEFAULT_DISTANCE_MM),
                    (float) ($b->valve ?? 1.0),
                ),
            ),
            ($raw->splitter ?? 'tees') === 'manifold',
        );
    }

    public function plan(Plan $before, PlanningAids $aids): AirPlans
    {
        $planner = new AirPlanner($before->garden->site);
        $tubs = $before->get(TubPlans::class)->tubs;
        $known = $before->before(AirPlans::class);
        $same = $before->before(TubPlans::class)->tubs ?? [];
        $systems = array_map(
            static fn (AirSystem $system): AirPlan => $known?->same($system, $tubs) ?? $planner->system($system, $tubs),
            $before->garden->of(AirSystems::class)->systems,
        );

        return new AirPlans($systems, array_map(
            static fn (TubPlan $tub): TubAir => (in_array($tub, $same, true) ? $known?->sameTub($tub, $systems) : null)
                ?? $planner->tub($tub, $systems),
            $tubs,
        ));
    }

    public function basis(string $tub, Plan $plan): array
    {
        return [
            $plan->get(TubPlans::class)->tubs[$tub] ?? null,
            $plan->get(AirPlans::class)->tubs[$tub] ?? null,
            $plan->garden->of(AirSystems::class),
        ];
    }

    public function shares(string $tub, Plan $plan): TubAir
    {
        return $plan->get(AirPlans::class)->tubs[$tub];
    }

    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        return [$tub => AirParts::ofTub($plan->get(TubPlans::class)->tubs[$tub], $library)];
    }

    public function needs(Plan $plan, Library $library): array
    {
        $write = new QuantityWriter($plan->garden->units);

        return array_merge(
            ...array_map(
                static fn (AirPlan $air): array => AirParts::ofSystem($air, $library, $write),
                $plan->get(AirPlans::class)->systems,
            ),
        );
    }

    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        return AirRules::ofTub($context->plan->get(TubPlans::class)->tubs[$tub], $context);
    }

    public function findings(RuleContext $context): array
    {
        return array_merge(
            ...array_map(
                static fn (AirPlan $air): array => AirRules::ofSystem($air, $context),
                $context->plan->get(AirPlans::class)->systems,
            ),
        );
    }

    public function reportOnTub(string $tub, Plan $plan, bool $whole): array
    {
        return AirReport::ofTub($plan->get(TubPlans::class)->tubs[$tub], $plan);
    }

    public function report(Plan $plan, bool $whole): array
    {
        return ['air' => array_map(AirReport::ofSystem(...), $plan->get(AirPlans::class)->systems)];
    }
}
