<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Library\OwnLibrary;
use App\Models\Garden;
use Illuminate\Container\Attributes\Give;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden as Document;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\WhatIf\Comparison;
use stdClass;

/** Keeps gardens: every write is checked whole, planned, counted as a revision, and done in one transaction. */
final readonly class GardenStore
{
    /** So many revisions of a garden are kept. */
    public const REVISIONS_KEPT = 50;

    private const NAME_LENGTH = 120;

    /** @param  Planner  $planner  that has time for layouts: what is stored comes of final ones, or says that it does not */
    public function __construct(
        private GardenReader $reader,
        #[Give('planner.final')] private Planner $planner,
        private OwnLibrary $own,
    ) {
    }

    /** @throws RefusedGarden */
    public function create(string $document): Garden
    {
        $columns = $this->columns($document);

        return DB::transaction(function () use ($columns): Garden {
            $garden = Garden::create([...$columns, 'revision' => 1]);
            $garden->revisions()->create(['revision' => 1, 'document' => $garden->document]);

            return $garden;
        });
    }

    /**
     * @throws RefusedGarden
     * @throws StaleRevision when $revision is not the newest
     */
    public function update(string $id, int $revision, string $document): Garden
    {
        $columns = $this->columns($document);

        return DB::transaction(function () use ($id, $revision, $columns): Garden {
            $garden = Garden::query()->lockForUpdate()->findOrFail($id);
            if ($garden->revision !== $revision) {
                throw new StaleRevision($garden);
            }
            if ($garden->document === $columns['document']) {
                return $garden;
            }
            $garden->update([...$columns, 'revision' => $revision + 1]);
            $garden->revisions()->create(['revision' => $revision + 1, 'document' => $garden->document]);
            $garden->revisions()->where('revision', '<=', $revision + 1 - self::REVISIONS_KEPT)->delete();

            return $garden;
        });
    }

    /** Works out anew what the list shows of a garden that was stored before all of its layouts were known. */
    public function settle(Garden $garden): void
    {
        // No edit of the grower's: the garden keeps its time.
        Garden::withoutTimestamps(fn (): bool => $garden->update($this->columns($garden->document)));
    }

    public function copy(Garden $garden): Garden
    {
        $document = GardenFile::decode($garden->document);
        $document->name = mb_substr($garden->name, 0, self::NAME_LENGTH - 5).' copy';

        return $this->create(GardenFile::encode($document));
    }

    /** An empty garden of a name, with the saws that its grower has, and the units and the currency of the garden last worked on. */
    public function blank(string $name): string
    {
        $saws = $this->own->saws();
        $last = Garden::query()->latest('updated_at')->first();
        $before = $last === null ? new stdClass : GardenFile::decode($last->document);
        $currency = $before->money->currency ?? null;

        return GardenFile::encode(
            (object) [
                'format' => GardenFile::FORMAT,
                'version' => GardenFile::VERSION,
                'name' => $name,
                'units' => $before->units ?? 'metric',
                'site' => new stdClass,
                ...($currency === null ? [] : ['money' => (object) ['currency' => $currency]]),
                'tubs' => [],
                'air' => [],
                'saws_mm' => $saws === [] ? null : $saws,
            ],
        );
    }

    /**
     * @return array{
     *     document: string, name: string, tubs: int, plants: int, worst: string|null, outlay: float, currency: string, settled: bool
     * }
     */
    private function columns(string $document): array
    {
        $garden = $this->reader->read($document);
        $plan = $this->planner->plan($garden);
        $findings = $this->planner->findings($plan);
        $sums = Comparison::of($plan, $findings);

        return [
            'document' => GardenFile::encode($garden->document),
            'name' => $garden->name,
            'tubs' => $sums->tubs,
            'plants' => $sums->plants,
            'worst' => $findings === [] ? null : $findings[0]->severity->value,
            'outlay' => round($sums->outlay, 2),
            'currency' => $sums->currency,
            'settled' => ! $plan->get(TubPlans::class)->isPending(),
        ];
    }
}
