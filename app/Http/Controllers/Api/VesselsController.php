<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Library;
use KelpTub\Core\Garden\VesselRanking;

/** Which vessel suits what is to grow in one tub: garden in, `?tub=` says which; the Library's vessels and one's own. */
final readonly class VesselsController
{
    public function __construct(private GardenReader $reader, private VesselRanking $ranking, private Library $library, private OwnLibrary $own)
    {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $tub = $garden->tub($request->string('tub')->value());

        return $tub === null
            ? new JsonResponse(['message' => 'No tub of this garden has that id.'], 404)
            : new JsonResponse(['vessels' => $this->ranking->of($garden, $tub, [...$this->library->vessels, ...$this->own->documents(LibraryKind::Vessels)])]);
    }
}
