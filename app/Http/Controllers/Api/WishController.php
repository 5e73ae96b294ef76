<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryFiles;
use App\Models\Garden;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Lid\RegularMemory;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Wish\IntoGarden;
use KelpTub\Core\Wish\Steps;
use KelpTub\Core\Wish\WishAnswer;
use Symfony\Component\HttpFoundation\Response;

/** From a wish to a few whole gardens: the wish in, as its file has it; `?first=1` answers with what is found first. */
final readonly class WishController
{
    public function __construct(private LibraryFiles $files, private Library $library)
    {
    }

    public function find(Request $request): Response
    {
        $wish = $this->files->wishes($this->library)->read($request->getContent());
        $planner = new Planner(Marks::all(), $this->library, new RegularMemory);
        $steps = RequestInput::word($request, 'first') === '1' ? Steps::FIRST : Steps::WHOLE;

        return JsonResponse::fromJsonString(GardenFile::encode((new WishAnswer($planner, $wish))->of($steps)));
    }

    /** `{"into", "design"}`: the id of a garden that is kept, and a design; answers with the patch that puts its tubs there. */
    public function into(Request $request, GardenReader $reader): Response
    {
        $body = RequestInput::body($request, ['into' => ['required', 'string', 'size:26']]);
        $design = $reader->fromDocument(RequestInput::object($body->design ?? null, '/design'));
        $garden = $reader->read(Garden::query()->findOrFail((string) $body->into)->document);
        $patch = (new IntoGarden($garden, $this->library))->patch($design->document);

        return new JsonResponse(['patch' => GuardedPatch::of($garden->document, $patch)]);
    }
}
