<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\Supply;
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

    /** What brings 12 V from the socket. */
    private const SUPPLY_12V = 'supply-12v';

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
                why: ($tub->count === 1 ? '' : "$tub->count × ")."$set->count on the floor of $tub->name",
            ), $stones->sets(), array_keys($stones->sets())),
            new Need(
                'suction-cup',
                $library->partName('suction-cup'),
                NeedKind::Part,
                self::FIXINGS_PER_STONE * $stones->inAll() * $tub->count,
                stage: NeedStage::Planting,
                why: self::FIXINGS_PER_STONE.' to a stone, so that it stays where it lies',
            ),
        ];
    }

    /** @return list<string> keys of the parts without which a pump does not run */
    public static function pumping(Pump $pump): array
    {
        return [(string) $pump->key, ...($pump->supply === Supply::TwelveVolt ? [self::SUPPLY_12V] : [])];
    }

    /** @return list<Need> */
    public static function ofSystem(AirPlan $air, Library $library, QuantityWriter $write): array
    {
        $system = $air->system;
        $for = array_map(static fn (TubPlan $p): string => $p->tub->id, $air->tubs);
        $pump = new Need(
            $system->pump->key ?? "pump:$system->id",
            $system->pump->name,
            NeedKind::Part,
            1,
            stage: NeedStage::Air,
            why: $air->lineCount() === 1 ? 'air for one tub' : "air for {$air->lineCount()} tubs",
            for: $for,
        );
        $pumping = [
            $pump,
            ...(in_array(self::SUPPLY_12V, self::pumping($system->pump), true) ? [new Need(
                self::SUPPLY_12V,
                $library->partName(self::SUPPLY_12V),
                NeedKind::Part,
                1,
                stage: NeedStage::Air,
                why: "brings {$write->number($system->pump->watts, 1, 'W')} at 12 V to the pump",
                for: $for,
            )] : []),
        ];
        if ($air->lineCount() === 0) {
            return $pumping;
        }
        $bit = QuantityWriter::plain(ceil($system->tube->outer + TubeRoute::HOLE_OVER_MM), 0);

        return [
            ...$pumping,
            new Need(
                $system->tube->key ?? "tube:$system->id",
                $system->tube->name,
                NeedKind::Part,
                $air->tubing(),
                'mm',
                NeedStage::Air,
                why: self::cuts($air, $write),
                for: $for,
            ),
            new Need(
                'check-valve',
                $library->partName('check-valve'),
                NeedKind::Part,
                self::checkValves($air),
                stage: NeedStage::Air,
                why: 'keeps water out of the pump when it stops',
                for: $for,
            ),
            new Need(
                'tee',
                $library->partName('tee'),
                NeedKind::Part,
                self::tees($air),
                stage: NeedStage::Air,
                why: 'where outlets join and lines part',
                for: $for,
            ),
            ...self::valves($air, $library, $for),
            ...($air->isDrilled() ? [
                new Need(
                    "drill-bit-$bit",
                    "Drill bit $bit mm, for the tube",
                    NeedKind::Tool,
                    1,
                    stage: NeedStage::Air,
                    shared: true,
                    why: 'for the tube’s hole',
                    for: $for,
                ),
                TubParts::drill($library, $for),
            ] : []),
        ];
    }

    /**
     * What one more line to a tub like one of them takes, the pump having room for it: its tube, a tee to part it and to part its stones,
     * and its valve.
     *
     * @return list<Need>
     */
    public static function ofOneMore(AirPlan $air, int $branch, Library $library): array
    {
        $system = $air->system;
        $plan = $air->tubs[$branch];
        $free = ! $system->joined && $air->network->outletsUsed < $system->pump->outlets;
        $stones = max(0, ($plan->tub->water->stones?->inAll() ?? 1) - 1);
        $ports = self::manifolds($air->lineCount());
        $more = self::manifolds($air->lineCount() + 1);

        return array_values(array_filter([
            new Need($system->tube->key ?? "tube:$system->id", $system->tube->name, NeedKind::Part, $air->routes[$branch]->length(), 'mm'),
            new Need('tee', $library->partName('tee'), NeedKind::Part, $stones + ($system->manifold || $free ? 0 : 1)),
            new Need('check-valve', $library->partName('check-valve'), NeedKind::Part, $free && $system->checkValve ? 1 : 0),
            $system->manifold && $more !== $ports
                ? new Need("manifold-$more[0]", $library->partName("manifold-$more[0]"), NeedKind::Part, $more[1])
                : null,
            new Need(
                'air-valve',
                $library->partName('air-valve'),
                NeedKind::Part,
                ! $system->manifold && $system->branches[$branch]->valve < 1.0 ? 1 : 0,
            ),
        ], static fn (?Need $need): bool => $need !== null && $need->amount > 0.0));
    }

    /** @return array{int, int} outlets of the manifolds for so many lines, and how many of them */
    private static function manifolds(int $lines): array
    {
        $sizes = array_filter(self::MANIFOLDS, static fn (int $outlets): bool => $outlets >= $lines);
        $size = $sizes === [] ? max(self::MANIFOLDS) : min($sizes);

        return [$size, (int) ceil($lines / $size)];
    }

    /** "1 × 1.35 m for Deck, 2 × 0.9 m for Pails, 120 mm to spare on each". */
    private static function cuts(AirPlan $air, QuantityWriter $write): string
    {
        $cuts = array_map(
            static fn (TubeRoute $route, TubPlan $p): string => "{$p->tub->count} × {$write->run($route->length())} for {$p->tub->name}",
            $air->routes,
            $air->tubs,
        );
        $trunk = $air->system->trunk > 0.0 ? [$write->run($air->system->trunk).' of trunk'] : [];

        return implode(', ', [...$trunk, ...$cuts]).", {$write->length(TubeRoute::SLACK_MM)} to spare on each";
    }

    /**
     * A manifold has a valve at each of its outlets; without one each line that is throttled takes a valve of its own.
     *
     * @param  list<string>  $for
     * @return list<Need>
     */
    private static function valves(AirPlan $air, Library $library, array $for): array
    {
        if ($air->system->manifold) {
            [$size, $many] = self::manifolds($air->lineCount());

            return [new Need(
                "manifold-$size",
                $library->partName("manifold-$size"),
                NeedKind::Part,
                $many,
                stage: NeedStage::Air,
                why: 'a valve to each line',
                for: $for,
            )];
        }
        $throttled = 0;
        foreach ($air->system->branches as $b => $branch) {
            $throttled += $branch->valve < 1.0 ? $air->tubs[$b]->tub->count : 0;
        }

        return [new Need(
            'air-valve',
            $library->partName('air-valve'),
            NeedKind::Part,
            $throttled,
            stage: NeedStage::Air,
            why: 'one in each line that is throttled',
            for: $for,
        )];
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
