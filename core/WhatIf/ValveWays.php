<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Air\Line;
use KelpTub\Core\Air\Valves;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Tub\TubPlan;
use stdClass;

/** Settings of the valves on one pump: the same to each stone, or by what the roots of each tub ask for. */
final class ValveWays
{
    /** Where nothing grows a tub asks for this share of what the others do. */
    private const EMPTY_SHARE = 0.1;

    /** @return list<float>|null for each branch; null where no air comes through all of them at once */
    public static function same(AirPlan $air): ?array
    {
        return self::sharing($air, array_map(static fn (TubPlan $p): float => (float) ($p->tub->water->stones?->inAll() ?? 1), $air->tubs));
    }

    /**
     * By demand over what a litre of air brings each tub: deep stones of fine bubbles need less of it.
     *
     * @return list<float>|null
     */
    public static function byDemand(AirPlan $air, AirPlans $plans): ?array
    {
        $demands = array_map(static fn (TubPlan $p): float => $plans->tubs[$p->tub->id]->balance->demand ?? 0.0, $air->tubs);
        $most = max([1.0, ...$demands]);
        $weights = array_map(static function (float $demand, ?Line $line) use ($most): float {
            $brings = 0.0;
            foreach ($line->outflows ?? [] as $out) {
                $brings = max($brings, $out->set->stone->bubble->transferPerMetre() * max(1.0, $out->submergence));
            }

            return max(self::EMPTY_SHARE * $most, $demand) / max(1.0e-6, $brings);
        }, $demands, $air->lines);

        return self::sharing($air, $weights);
    }

    /**
     * @param  list<float>  $weights
     * @return list<float>|null
     */
    private static function sharing(AirPlan $air, array $weights): ?array
    {
        $lines = array_filter($air->lines, static fn (?Line $line): bool => $line !== null);
        // Outlets that are not joined have each a pressure of their own: no setting shares air between them.
        if ($lines === [] || (! $air->system->joined && $air->system->pump->outlets > 1)) {
            return null;
        }
        $of = static fn (array $all): array => array_values(array_intersect_key($all, $lines));
        $valves = Valves::sharing(
            $air->system->pump,
            array_values(array_map(static fn (Line $line): Line => $line->withValve(1.0), $lines)),
            $of(array_map(static fn (TubPlan $p): int => $p->tub->count, $air->tubs)),
            $of($weights),
            $air->system->tube->resistance($air->system->trunk),
        );
        if ($valves === null) {
            return null;
        }
        $all = array_combine(array_keys($lines), $valves);

        return array_map(static fn (int $b): float => round($all[$b] ?? $air->system->branches[$b]->valve, 3), array_keys($air->tubs));
    }

    /**
     * @param  list<float>|null  $valves
     * @return list<stdClass>|null
     */
    public static function patch(AirPlan $air, ?array $valves, Garden $garden): ?array
    {
        if ($valves === null) {
            return null;
        }
        $patch = [];
        foreach ($valves as $b => $valve) {
            $branch = $garden->document->air[$air->system->index]->branches[$b];
            if (($branch->valve ?? 1.0) != $valve) {
                $patch[] = (object) ['op' => 'add', 'path' => $air->system->pointer("/branches/$b/valve"), 'value' => $valve];
            }
        }

        return $patch;
    }
}
