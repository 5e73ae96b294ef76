<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Gardens\GardenHistory;
use App\Gardens\GardenList;
use App\Http\RequestInput;
use App\Library\LibraryFiles;
use App\Library\LibraryForPage;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use App\Logs\Photos;
use App\Models\DryRun;
use App\Models\Garden;
use App\Runs\Lessons;
use App\Runs\RunStore;
use App\Runs\RunView;
use App\Version;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Tub\Sketch;
use KelpTub\Core\WhatIf\Comparison;
use KelpTub\Core\WhatIf\ReckonedBefore;
use KelpTub\Core\WhatIf\SingleTub;
use stdClass;

/** The pages: the list of gardens, the workbench of one, the marking-out sheet of a lid, designs compared, and the Library. */
final readonly class PageController
{
    /** So many designs are set side by side at most. */
    private const MOST_COMPARED = 4;

    /** So many gardens are listed at a time to choose from. */
    private const LISTED = 30;

    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    public function gardens(Request $request, GardenList $list, Photos $photos): Response
    {
        $page = $list->page(RequestInput::page($request));

        return Inertia::render('Gardens', [
            'gardens' => $page->items(),
            'page' => $page->currentPage(),
            'pages' => $page->lastPage(),
            'deleted' => Garden::onlyTrashed()->count(),
            'everything' => '/api/everything'.($photos->gardens() === [] ? '' : '.zip'),
            'version' => Version::NUMBER,
        ]);
    }

    /** What a garden was, and what of it changed when. */
    public function history(Request $request, Garden $garden, GardenHistory $history): Response
    {
        $page = $history->page($garden, RequestInput::page($request));

        return Inertia::render('History', [
            'id' => $garden->id,
            'name' => $garden->name,
            'revision' => $garden->revision,
            'revisions' => $page->items(),
            'page' => $page->currentPage(),
            'pages' => $page->lastPage(),
        ]);
    }

    /** Gardens that were deleted and can be brought back. */
    public function deleted(GardenHistory $history): Response
    {
        return Inertia::render('Deleted', [
            'gardens' => $history->deleted()->map(static fn (Garden $garden): array => [
                'id' => $garden->id,
                'name' => $garden->name,
                'tubs' => $garden->tubs,
                'plants' => $garden->plants,
                'deleted_at' => $garden->deleted_at?->toIso8601String(),
                'gone_at' => $garden->deleted_at?->addDays(GardenHistory::DAYS_DELETED)->toIso8601String(),
            ])->values()->all(),
            'days' => GardenHistory::DAYS_DELETED,
        ]);
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
            'before' => $garden->reckoned_by !== null
                ? []
                : ReckonedBefore::of($this->planner->plan($this->reader->read($garden->document))),
        ]);
    }

    public function markingOut(Garden $garden, string $tub): Response
    {
        $read = $this->reader->read($garden->document);
        abort_if($read->tub($tub) === null, 404);

        return Inertia::render(
            'MarkingOut',
            [
                'id' => $garden->id,
                'name' => $garden->name,
                'tub' => $tub,
                'units' => $read->units->value,
                'document' => $garden->document,
                'report' => $this->report($garden),
            ],
        );
    }

    /** `?of=a,b:deck`: whole gardens or single tubs of them side by side, in that order; and all there is to choose from. */
    public function compare(Request $request): Response
    {
        $asked = $request->query->has('of') ? RequestInput::word($request, 'of') : implode(',', self::worthComparing());
        $chosen = [];
        foreach (array_slice(array_unique(array_filter(explode(',', $asked))), 0, self::MOST_COMPARED) as $of) {
            [$id, $tub] = [...explode(':', $of, 2), null];
            $garden = Garden::query()->find($id);
            $item = $garden === null ? null : $this->compared($garden, $tub);
            if ($item !== null) {
                $chosen[] = ['of' => $of, ...$item];
            }
        }
        $all = Garden::query()->latest('updated_at')->latest('id')->select(['id', 'name', 'document'])
            ->paginate(self::LISTED, page: RequestInput::page($request))->through(static fn (Garden $garden): array => [
                'id' => $garden->id,
                'name' => $garden->name,
                'tubs' => array_map(
                    static fn (stdClass $tub): array => ['id' => $tub->id, 'name' => $tub->name ?? $tub->id],
                    GardenFile::decode($garden->document)->tubs ?? [],
                ),
            ]);

        return Inertia::render('Compare', [
            'all' => $all->items(),
            'page' => $all->currentPage(),
            'pages' => $all->lastPage(),
            'chosen' => $chosen,
        ]);
    }

    /**
     * Two designs to begin with: the gardens last changed that have tubs, or the first two tubs of the only one.
     *
     * @return list<string>
     */
    private static function worthComparing(): array
    {
        $gardens = Garden::query()->where('tubs', '>', 0)->latest('updated_at')->latest('id')->select(['id', 'document'])->limit(2)->get();
        $only = $gardens->first();
        $of = [];
        foreach ($gardens as $garden) {
            $of[] = $garden->id;
        }
        $tubs = count($of) === 1 && $only !== null ? array_slice(GardenFile::decode($only->document)->tubs ?? [], 0, 2) : [];

        return count($tubs) < 2 ? $of : array_values(array_map(static fn (stdClass $tub): string => "$of[0]:$tub->id", $tubs));
    }

    /** @return array<string, mixed>|null null where that tub is not there */
    private function compared(Garden $garden, ?string $tub): ?array
    {
        $read = $this->reader->read($garden->document);
        $one = $tub === null ? null : $read->tub($tub);
        if ($tub !== null && $one === null) {
            return null;
        }
        if ($one !== null) {
            $read = $this->reader->fromDocument(SingleTub::alone($read, $one));
        }
        $plan = $this->planner->plan($read);
        $findings = $this->planner->mended($plan);

        return [
            'name' => $one === null ? $garden->name : $one->name,
            'garden' => $garden->name,
            'units' => $read->units->value,
            'figures' => Comparison::of($plan, $findings),
            'report' => GardenFile::encode($this->planner->written($plan, $findings)),
        ];
    }

    /** What somebody would like to grow; `?into=` says into which garden that is there. */
    public function wish(Request $request, Library $library, OwnLibrary $own): Response
    {
        $into = Garden::query()->find(RequestInput::word($request, 'into'));
        $document = $into === null ? null : GardenFile::decode($into->document);

        return Inertia::render('Wish', [
            'library' => LibraryForPage::of($library, $own),
            'climates' => array_map(
                static fn (string $key): array => ['key' => $key, 'name' => $library->climates->get($key)->name],
                $library->climates->keys(),
            ),
            'starts' => json_decode((string) file_get_contents(base_path('data/wishes.json'))),
            'into' => $into === null ? null : [
                'id' => $into->id,
                'name' => $into->name,
                'units' => $document->units ?? 'metric',
                'currency' => $document->money->currency ?? 'EUR',
            ],
        ]);
    }

    /** Lessons, and the runs that are kept. */
    public function dryRuns(Lessons $lessons, RunStore $runs): Response
    {
        return Inertia::render('DryRuns', [
            'lessons' => array_map(fn (stdClass $lesson): array => [
                'key' => $lesson->key,
                'title' => $lesson->title,
                'about' => $lesson->about,
                'minutes' => $lesson->minutes,
                'sketch' => Sketch::of($this->planner->begun($this->reader->fromDocument($lesson->garden), [])),
            ], $lessons->all()),
            'runs' => $runs->all()->map(static fn (DryRun $run): array => [
                'id' => $run->id,
                'name' => $run->name,
                'lesson' => $run->lesson,
                'seed' => $run->seed,
                'day' => $run->day,
                'over' => $run->is_over,
                'at' => $run->updated_at->toIso8601String(),
            ])->all(),
        ]);
    }

    public function dryRun(DryRun $run, RunStore $runs, RunView $view, #[Give('planner.whole')] Planner $whole): Response
    {
        $garden = $runs->gardenOf($run);
        $told = $view->of($run);
        $told->overtaken = false;

        return Inertia::render('DryRun', [
            'run' => GardenFile::encode($told),
            'report' => $whole->preview($garden),
            'units' => $garden->units->value,
            'others' => $runs->like($run)->map(static fn (DryRun $other): array => [
                'id' => $other->id,
                'name' => $other->name,
                'seed' => $other->seed,
            ])->all(),
        ]);
    }

    public function library(Library $library, OwnLibrary $own, LibraryFiles $files, string $kind = 'vessels'): Response
    {
        abort_if(LibraryKind::tryFrom($kind) === null, 404);

        return Inertia::render('Library', [
            'kind' => $kind,
            'library' => LibraryForPage::of($library, $own),
            'crop' => $files->schema('garden')->{'$defs'}->cropRow->properties,
        ]);
    }

    private function report(Garden $garden): string
    {
        return $this->planner->preview($this->reader->read($garden->document));
    }
}
