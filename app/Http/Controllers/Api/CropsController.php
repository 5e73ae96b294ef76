<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Garden\CropRanking;
use KelpTub\Core\Garden\GardenReader;

/** What else could grow in one tub: garden in, `?tub=` says which. */
final readonly class CropsController
{
    public function __construct(private GardenReader $reader, private CropRanking $ranking)
    {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $tub = $garden->tub($request->string('tub')->value());

        return $tub === null
            ? new JsonResponse(['message' => 'No tub of this garden has that id.'], 404)
            : new JsonResponse(['crops' => $this->ranking->of($garden, $tub)]);
    }
}
