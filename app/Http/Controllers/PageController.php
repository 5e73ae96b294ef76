<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Gardens\GardenList;
use App\Library\LibraryForPage;
use App\Models\Garden;
use Inertia\Inertia;
use Inertia\Response;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Library;
use KelpTub\Core\Garden\Planner;

/** The two pages: the list of gardens, and the workbench of one. */
final readonly class PageController
{
    public function gardens(): Response
    {
        return Inertia::render('Gardens', ['gardens' => GardenList::all()]);
    }

    /** Document and report go as text: what is {} stays {} on the way. */
    public function workbench(Garden $garden, GardenReader $reader, Planner $planner, Library $library): Response
    {
        return Inertia::render('Workbench', [
            'id' => $garden->id,
            'revision' => $garden->revision,
            'document' => $garden->document,
            'report' => GardenReader::encode($planner->report($reader->read($garden->document))),
            'library' => LibraryForPage::of($library),
        ]);
    }
}
