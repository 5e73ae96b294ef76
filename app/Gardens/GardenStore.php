<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Library\OwnLibrary;
use App\Logs\EntryStore;
use App\Logs\Photos;
use App\Models\Garden;
use App\Version;
use Illuminate\Container\Attributes\Give;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden as Document;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Tub\Sketch;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\WhatIf\Comparison;
use stdClass;

/** Keeps gardens: every write is checked whole, planned, counted as a revision, and done once and in one transaction. */
final readonly class GardenStore
{
    private const NAME_LENGTH = 120;

    /** A write that meets another at the database is tried again. */
    private const ATTEMPTS = 5;

    /** @param  Planner  $planner  that has time for layouts: what is stored comes of final ones, or says that it does not */
    public function __construct(
        private GardenReader $reader,
        #[Give('planner.final')] private Planner $planner,
        private OwnLibrary $own,
        private Photos $photos,
        private EntryStore $entries = new EntryStore,
    ) {
    }

    /**
     * @param  string|null  $key  what the one who writes calls this write: sent again, it is known and done once
     * @param  string|null  $id  a free one that it had elsewhere
     *
     * @throws RefusedGarden
     */
    public function create(string $document, ?string $key = null, ?string $id = null): Garden
    {
        $columns = $this->columns($document);
        $entries = GardenFile::decodeWhole($document)->entries ?? [];

        return DB::transaction(function () use ($columns, $key, $id, $entries): Garden {
            $made = $key === null ? null : Garden::withTrashed()->where('write_key', $key)->lockForUpdate()->first();
            if ($made !== null) {
                return $made;
            }
            $garden = Garden::create([
                ...($id === null ? [] : ['id' => $id]),
                ...$columns,
                'revision' => 1,
                'write_key' => $key,
                'reckoned_by' => Version::NUMBER,
            ]);
            $garden->revisions()->create(['revision' => 1, 'document' => $garden->document]);
            $this->entries->bring($garden, $entries);

            return $garden;
        }, self::ATTEMPTS);
    }

    /**
     * @param  string|null  $key  what the one who writes calls this write
     * @param  list<string>  $follows  writes of the same one that it is made on top of, whether or not they were done
     * @return int the revision that the document has now
     *
     * @throws RefusedGarden
     * @throws StaleRevision when $revision is not the newest, what is there is another document, and the write was not done already
     */
    public function update(string $id, int $revision, string $document, ?string $key = null, array $follows = []): int
    {
        $columns = $this->columns($document);
        $entries = GardenFile::decodeWhole($document)->entries ?? [];

        return DB::transaction(function () use ($id, $revision, $columns, $key, $follows, $entries): int {
            $garden = Garden::query()->lockForUpdate()->findOrFail($id);
            $done = $this->doneBefore($garden, $key, $follows, $columns['document']);
            if ($done !== null) {
                return $done;
            }
            if ($garden->document === $columns['document']) {
                return $garden->revision;
            }
            if ($follows !== [] && $garden->revision > $revision) {
                $last = $garden->revisions()->where('revision', $garden->revision)->value('write_key');
                $revision = in_array($last, $follows, true) ? $garden->revision : $revision;
            }
            if ($garden->revision !== $revision) {
                $base = $garden->revisions()->where('revision', $revision)->value('document');

                throw new StaleRevision($garden, $columns['document'], is_string($base) ? $base : null);
            }
            $garden->update([...$columns, 'revision' => $revision + 1]);
            $garden->revisions()->create(['revision' => $revision + 1, 'document' => $garden->document, 'write_key' => $key]);
            $this->entries->bring($garden, $entries);

            return $revision + 1;
        }, self::ATTEMPTS);
    }

    /**
     * The revision that a write made which was done already and not answered: it is known by its name, or, sent again under another one, by
     * what it wrote.
     *
     * @param  list<string>  $follows
     */
    private function doneBefore(Garden $garden, ?string $key, array $follows, string $document): ?int
    {
        $named = [...($key === null ? [] : [$key]), ...$follows];
        foreach ($named === [] ? [] : $garden->revisions()->whereIn('write_key', $named)->get() as $revision) {
            if ($revision->write_key === $key || $revision->document === $document) {
                return $revision->revision;
            }
        }

        return null;
    }

    /** @throws StaleRevision when it was changed since $revision */
    public function delete(string $id, int $revision): void
    {
        DB::transaction(static function () use ($id, $revision): void {
            $garden = Garden::query()->lockForUpdate()->findOrFail($id);
            if ($garden->revision !== $revision) {
                throw new StaleRevision($garden, $garden->document, null);
            }
            $garden->delete();
        }, self::ATTEMPTS);
    }

    /**
     * Brings a garden back that was deleted, as the document has it; as it was when it was deleted it is in its history.
     *
     * @throws RefusedGarden
     */
    public function bringBack(Garden $garden, stdClass $document): Garden
    {
        $columns = $this->columns(GardenFile::encode($document));
        $entries = $document->entries ?? [];
        unset($document->entries);

        return DB::transaction(function () use ($garden, $document, $columns, $entries): Garden {
            $garden->restore();
            $this->entries->bring($garden, $entries);
            if (! Differences::same(GardenFile::decode($garden->document), $document)) {
                $garden->update([...$columns, 'revision' => $garden->revision + 1]);
                $garden->revisions()->create(['revision' => $garden->revision, 'document' => $garden->document]);
            }

            return $garden;
        }, self::ATTEMPTS);
    }

    /**
     * Puts in what of a log is not here yet.
     *
     * @param  list<stdClass>  $entries
     */
    public function bringEntries(Garden $garden, array $entries): void
    {
        $this->entries->bring($garden, $entries);
    }

    /** The grower has been told by what the garden is reckoned now; no edit of theirs: it keeps its time. */
    public function told(Garden $garden): void
    {
        $garden->timestamps = false;
        $garden->update(['reckoned_by' => Version::NUMBER]);
    }

    /** Works out anew what the list shows of a garden that was stored before all of its layouts were known. */
    public function settle(Garden $garden): void
    {
        // No edit of the grower's: the garden keeps its time.
        Garden::withoutTimestamps(fn (): bool => $garden->update($this->columns($garden->document)));
    }

    /**
     * A design of its own: what was sown and read in the garden it is of stays there, unless it is to come along. A meter stands in one tub
     * only, and stays.
     */
    public function copy(Garden $garden, ?string $key = null, bool $withLog = false): Garden
    {
        $document = GardenFile::decode($garden->document);
        if (($document->plantings ?? []) !== [] && ! $withLog) {
            $document->plantings = [];
        }
        unset($document->meters);
        $document->name = mb_substr($garden->name, 0, self::NAME_LENGTH - 5).' copy';

        return DB::transaction(function () use ($garden, $document, $key, $withLog): Garden {
            $copy = $this->create(GardenFile::encode($document), $key);
            if ($withLog) {
                $this->entries->copy($garden->id, $copy->id);
                $this->photos->copy($garden->id, $copy->id);
            }

            return $copy;
        }, self::ATTEMPTS);
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
     *     document: string, name: string, tubs: int, plants: int, worst: string|null, outlay: float, currency: string, settled: bool,
     *     sketch: list<stdClass>
     * }
     */
    private function columns(string $document): array
    {
        $whole = GardenFile::decodeWhole($document);
        $garden = $this->reader->fromDocument($whole);
        // A log is kept beside the design: what is read and done must not travel with every drag of a hole.
        unset($garden->document->entries);
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
            'sketch' => Sketch::of($plan),
        ];
    }
}
