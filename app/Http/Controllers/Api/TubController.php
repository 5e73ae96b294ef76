<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\WhatIf\CropRanking;
use KelpTub\Core\WhatIf\CupsApart;
use KelpTub\Core\WhatIf\LayoutCandidates;
use KelpTub\Core\WhatIf\VesselRanking;

/** What one tub could be instead: garden in, `?tub=` says which. */
final readonly class TubController
{
    public function __construct(private GardenReader $reader)
    {
    }

    /** The patterns that its lid could have. */
    public function layouts(Request $request, #[Give('planner.final')] Planner $planner): JsonResponse
    {
        return $this->answer($request, 'candidates', (new LayoutCandidates($this->reader, $planner))->of(...));
    }

    /** How many cups go so far apart: `?mm=`. */
    public function apart(Request $request, Planner $planner): JsonResponse
    {
        $asked = RequestInput::query($request, ['mm' => ['bail', 'required', 'string', 'numeric', 'gt:0', 'max:3000']]);
        $apart = (float) $asked['mm'];

        return $this->answer(
            $request,
            'cups',
            fn (Garden $garden, Tub $tub): array => [(new CupsApart($this->reader, $planner))->of($garden, $tub, $apart)],
        );
    }

    /** What else could grow in it. */
    public function crops(Request $request, CropRanking $ranking): JsonResponse
    {
        return $this->answer($request, 'crops', $ranking->of(...));
    }

    /** Which vessel suits what is to grow in it: the Library's and one's own. */
    public function vessels(Request $request, VesselRanking $ranking, Library $library, OwnLibrary $own): JsonResponse
    {
        return $this->answer(
            $request,
            'vessels',
            static fn (Garden $garden, Tub $tub): array => $ranking->of(
                $garden,
                $tub,
                $library->vessels->documents() + $own->documents(LibraryKind::Vessels),
            ),
        );
    }

    /** @param  callable(Garden, Tub): list<mixed>  $ask */
    private function answer(Request $request, string $name, callable $ask): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $tub = $garden->tub(RequestInput::word($request, 'tub'));

        return $tub === null
            ? new JsonResponse(['message' => 'No tub of this garden has that id.'], 404)
            : new JsonResponse([$name => $ask($garden, $tub)]);
    }
}
