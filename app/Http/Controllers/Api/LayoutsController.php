<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Container\Attributes\Give;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\LayoutCandidates;
use KelpTub\Core\Garden\Planner;

/** The patterns that one tub's lid could have instead: garden in, `?tub=` says which. */
final readonly class LayoutsController
{
    public function __construct(private GardenReader $reader, #[Give('planner.final')] private Planner $planner)
    {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $tub = $garden->tub($request->string('tub')->value());

        return $tub === null
            ? new JsonResponse(['message' => 'No tub of this garden has that id.'], 404)
            : new JsonResponse(['candidates' => LayoutCandidates::of($this->planner->tub($garden, $tub))]);
    }
}
