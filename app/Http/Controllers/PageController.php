<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Gardens\GardenList;
use App\Library\LibraryForPage;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use App\Models\Garden;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Library;
use KelpTub\Core\Garden\Planner;

/** The pages: the list of gardens, the workbench of one, the marking-out sheet of a lid, several gardens compared, and the Library. */
final readonly class PageController
{
    /** So many gardens are set side by side at most. */
    private const MOST_COMPARED = 4;

    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    public function gardens(): Response
    {
        return Inertia::render('Gardens', ['gardens' => GardenList::all()]);
    }

    /** Document and report go as text: what is {} stays {} on the way. */
    public function workbench(Garden $garden, Library $library, OwnLibrary $own): Response
    {
        return Inertia::render('Workbench', [
            'id' => $garden->id,
            'revision' => $garden->revision,
            'document' => $garden->document,
            'report' => $this->report($garden),
            'library' => LibraryForPage::of($library, $own),
        ]);
    }

    public function markingOut(Garden $garden, string $tub): Response
    {
        $read = $this->reader->read($garden->document);
        abort_if($read->tub($tub) === null, 404);

        return Inertia::render('MarkingOut', ['id' => $garden->id, 'name' => $garden->name, 'tub' => $tub, 'units' => $read->units->value, 'report' => $this->report($garden)]);
    }

    /** `?gardens=a,b`: those gardens side by side, in that order; without any, all there are to choose from. */
    public function compare(Request $request): Response
    {
        $ids = array_slice(array_values(array_unique(array_filter(explode(',', $request->string('gardens')->value())))), 0, self::MOST_COMPARED);
        $gardens = Garden::query()->findMany($ids)->sortBy(static fn (Garden $garden): int => (int) array_search($garden->id, $ids, true));

        return Inertia::render('Compare', [
            'all' => GardenList::all(),
            'chosen' => $gardens->map(fn (Garden $garden): array => ['id' => $garden->id, 'name' => $garden->name, 'units' => $this->reader->read($garden->document)->units->value, 'report' => $this->report($garden)])->values()->all(),
        ]);
    }

    public function library(Library $library, OwnLibrary $own, string $kind = 'vessels'): Response
    {
        abort_if(LibraryKind::tryFrom($kind) === null, 404);

        return Inertia::render('Library', ['kind' => $kind, 'library' => LibraryForPage::of($library, $own)]);
    }

    private function report(Garden $garden): string
    {
        return GardenReader::encode($this->planner->report($this->reader->read($garden->document)));
    }
}
