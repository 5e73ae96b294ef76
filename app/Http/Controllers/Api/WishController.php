<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryFiles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Lid\RegularMemory;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Wish\Steps;
use KelpTub\Core\Wish\WishAnswer;
use Symfony\Component\HttpFoundation\Response;

/** From a wish to a few whole gardens: the wish in, as its file has it; `?first=1` answers with what is found first. */
final readonly class WishController
{
    public function __construct(private LibraryFiles $files, private Library $library)
    {
    }

    public function __invoke(Request $request): Response
    {
        $wish = $this->files->wishes($this->library)->read($request->getContent());
        $planner = new Planner(Marks::all(), $this->library, new RegularMemory);
        $steps = RequestInput::word($request, 'first') === '1' ? Steps::FIRST : Steps::WHOLE;

        return JsonResponse::fromJsonString(GardenFile::encode((new WishAnswer($planner, $wish))->of($steps)));
    }
}
