<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Library\OwnLibrary;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Garden\CupFits;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\LayoutCandidates;
use KelpTub\Core\Garden\Library;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\TubPlan;

/** What one tub's lid could have instead: patterns, and cups for the holes as they are. Garden in, `?tub=` says which. */
final readonly class LayoutsController
{
    public function __construct(private GardenReader $reader, private Library $library, private OwnLibrary $own, #[Give('planner.final')] private Planner $planner)
    {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $tub = $garden->tub($request->string('tub')->value());

        return $tub === null
            ? new JsonResponse(['message' => 'No tub of this garden has that id.'], 404)
            : $this->answer($this->planner->tub($garden, $tub));
    }

    private function answer(TubPlan $plan): JsonResponse
    {
        return new JsonResponse([
            'candidates' => LayoutCandidates::of($plan),
            'cups' => CupFits::of([...$this->library->cups, ...$this->own->documents('cups')], $plan->seat->hole),
        ]);
    }
}
