<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\WhatIf\Savings;
use KelpTub\Core\WhatIf\TubCosts;

/** What of a garden's money takes longer than a preview: running costs, harvest, the next tub, and the ways to spend less. */
final readonly class CostController
{
    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /** The garden in the body: its whole budget, and each tub by itself. */
    public function figures(Request $request): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $plan = $this->planner->plan($garden);

        return new JsonResponse([
            'budget' => $this->planner->written($plan, [], true)->budget,
            'tubs' => (new TubCosts($this->planner))->of($garden),
        ]);
    }

    /** The garden in the body: each saving, and those that bring it under its cap. */
    public function savings(Request $request): JsonResponse
    {
        return new JsonResponse((new Savings($this->planner))->of($this->reader->read($request->getContent())));
    }
}
