<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
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

        return array_map(fn (Tub $tub): stdClass => (object) [
            'id' => $tub->id,
            'name' => $tub->name,
            'alone' => $this->outlay($garden, $tub, 1),
            'next' => $figures->nextTub($tub),
            'three' => $this->outlay($garden, $tub, self::ALIKE),
        ], $garden->tubs);
    }

    /** So many of one tub in a garden of their own. */
    private function outlay(Garden $garden, Tub $tub, int $count): float
    {
        $document = SingleTub::alone($garden, $tub);
        $document->tubs[0]->count = $count;
        $document->builds = [];

        return $this->planner->plan($this->planner->of($document))->get(CostPlan::class)->budget->outlay;
    }
}
