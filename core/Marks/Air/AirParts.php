<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\File\Library;
use KelpTub\Core\Marks\Tub\TubParts;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;

/** Stones, pumps, tubes and what joins them. Source: handbook, rules sections 7 and 9. */
final class AirParts
{
    /** Suction cups that hold a stone to the floor. */
    private const FIXINGS_PER_STONE = 2;

    /** Manifolds as they are sold, by their outlets. */
    private const MANIFOLDS = [2, 4, 6, 10];

    /** @return list<Need> */
    public static function ofTub(TubPlan $plan, Library $library): array
    {
        $tub = $plan->tub;
        $stones = $tub->water->stones;

        return $stones === null ? [] : [
            ...array_map(static fn (StoneSet $set, int $i): Need => new Need(
                $set->stone->key ?? "stone:$tub->id".($i > 0 ? ":$i" : ''),
                $set->stone->name,
                NeedKind::Part,
                $set->count * $tub->count,
                stage: NeedStage::Planting,
            ), $stones->sets(), array_keys($stones->sets())),
            new Need(
                'suction-cup',
                $library->partName('suction-cup'),
                NeedKind::Part,
                self::FIXINGS_PER_STONE * $stones->inAll() * $tub->count,
                stage: NeedStage::Planting,
            ),
        ];
    }

    /** @return list<Need> */
    public static function ofSystem(AirPlan $air, Library $library): array
    {
        $system = $air->system;
        $pump = new Need($system->pump->key ?? "pump:$system->id", $system->pump->name, NeedKind::Part, 1, stage: NeedStage::Air);
        if ($air->lineCount() === 0) {
            return [$pump];
        }
        $bit = QuantityWriter::plain(ceil($system->tube->outer + TubeRoute::HOLE_OVER_MM), 0);

        return [
            $pump,
            new Need($system->tube->key ?? "tube:$system->id", $system->tube->name, NeedKind::Part, $air->tubing(), 'mm', NeedStage::Air),
            new Need('check-valve', $library->partName('check-valve'), NeedKind::Part, self::checkValves($air), stage: NeedStage::Air),
            new Need('tee', $library->partName('tee'), NeedKind::Part, self::tees($air), stage: NeedStage::Air),
            ...self::valves($air, $library),
            ...($air->isDrilled() ? [
                new Need("drill-bit-$bit", "Drill bit $bit mm, for the tube", NeedKind::Tool, 1, stage: NeedStage::Air, shared: true),
                TubParts::drill($library),
            ] : []),
        ];
    }

    /**
     * A manifold has a valve at each of its outlets; without one each line that is throttled takes a valve of its own.
     *
     * @return list<Need>
     */
    private static function valves(AirPlan $air, Library $library): array
    {
        if ($air->system->manifold) {
            $sizes = array_filter(self::MANIFOLDS, static fn (int $outlets): bool => $outlets >= $air->lineCount());
            $size = $sizes === [] ? max(self::MANIFOLDS) : min($sizes);
            $many = (int) ceil($air->lineCount() / $size);

            return [new Need("manifold-$size", $library->partName("manifold-$size"), NeedKind::Part, $many, stage: NeedStage::Air)];
        }
        $throttled = 0;
        foreach ($air->system->branches as $b => $branch) {
            $throttled += $branch->valve < 1.0 ? $air->tubs[$b]->tub->count : 0;
        }

        return [new Need('air-valve', $library->partName('air-valve'), NeedKind::Part, $throttled, stage: NeedStage::Air)];
    }

    /** One for the manifold, or one for each outlet that is used. */
    private static function checkValves(AirPlan $air): int
    {
        return match (true) {
            ! $air->system->checkValve => 0,
            $air->system->joined => 1,
            default => $air->network->outletsUsed,
        };
    }

    /** Outlets joined and lines split take one tee less than there are, and so do the stones of each tub. */
    private static function tees(AirPlan $air): int
    {
        $outlets = $air->system->joined ? min($air->system->pump->outlets, $air->network->outletsUsed) : 1;
        $manifolds = $air->system->joined ? 1 : max(1, $air->network->outletsUsed);
        // A manifold parts the line by itself.
        $parted = $air->system->manifold ? 0 : max(0, $air->lineCount() - $manifolds);
        $tees = max(0, $outlets - 1) + $parted;
        foreach ($air->tubs as $plan) {
            $tees += max(0, ($plan->tub->water->stones?->inAll() ?? 1) - 1) * $plan->tub->count;
        }

        return $tees;
    }
}
