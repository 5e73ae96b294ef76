<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/**
 * Which vessel suits what is to grow: every vessel planned in place of the tub's own, with as many plants as it carries, best first, each
 * with its reason.
 *
 * Fewest stops and mends come first; of those that are alike, the one that gives each plant water enough with the least to fill.
 */
final readonly class VesselRanking
{
    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /**
     * @param  array<string, stdClass>  $vessels  by key, in the form a garden file holds them in place
     * @return list<stdClass>
     */
    public function of(Garden $garden, Tub $tub, array $vessels): array
    {
        $ranked = [];
        foreach ($vessels as $key => $vessel) {
            $ranked[] = $this->judge($garden, $tub, (string) $key, $vessel);
        }
        usort(
            $ranked,
            static fn (stdClass $a, stdClass $b): int => [
                $a->stops,
                $a->mends,
                -$a->plants,
                $a->minds,
                $a->working_l,
                $a->name,
            ] <=> [$b->stops, $b->mends, -$b->plants, $b->minds, $b->working_l, $b->name],
        );

        return $ranked;
    }

    private function judge(Garden $garden, Tub $tub, string $key, stdClass $vessel): stdClass
    {
        $document = SingleTub::changed($garden, $tub, static function (stdClass $raw) use ($key, $vessel): void {
            $raw->vessel = (object) ['key' => $key, ...get_object_vars($vessel)];
            $raw->hole_mm = null;
        });
        $plan = $this->planner->plan($this->reader->fromDocument($document));
        $verdict = Verdict::of($this->planner->findings($plan), static fn (Finding $f): bool => $f->tub === $tub->id);
        $planned = $plan->get(TubPlans::class)->tubs[$tub->id];

        return (object) [
            'vessel' => $key,
            'name' => $planned->tub->body->vessel->name,
            'plants' => $planned->plants->count,
            'working_l' => $planned->water->working(),
            ...$verdict->toAnswer(),
        ];
    }
}
