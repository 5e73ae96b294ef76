<?php

declare(strict_types=1);

namespace App\Runs;

use App\Library\KnownNames;
use App\Models\DryRun;
use App\Models\Garden;
use KelpTub\Core\File\Difference;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Garden as Design;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\WhatIf\SingleTub;
use stdClass;

/** A season that is lived through as its page is told: how far it has come; at the end, how it came out; what has changed of its design. */
final readonly class RunView
{
    private const MOST_DIFFERENCES = 8;

    public function __construct(
        private RunStore $runs,
        private Lessons $lessons,
        private GardenReader $reader,
        private KnownNames $names,
    ) {
    }

    public function of(DryRun $run): stdClass
    {
        $season = $this->runs->seasonOf($run);
        $decisions = $this->runs->decisionsOf($run, $season);
        $end = $run->is_over ? $season->told($decisions) : null;

        return (object) [
            'id' => $run->id,
            'revision' => $run->revision,
            'name' => $run->name,
            'tub' => $run->tub,
            'seed' => $run->seed,
            'day' => $run->day,
            'decisions' => RunStore::decoded($run),
            'so_far' => $season->soFar($decisions)->toReport($run->day, $run->is_over),
            'end' => $end,
            'lesson' => $this->lesson($run, $end),
            'garden' => $this->garden($run),
        ];
    }

    private function lesson(DryRun $run, ?stdClass $end): ?stdClass
    {
        $lesson = $run->lesson === null ? null : $this->lessons->of($run->lesson);

        return $lesson === null ? null : (object) [
            'key' => $lesson->key,
            'title' => $lesson->title,
            'about' => $lesson->about,
            'goal' => $lesson->goal,
            'share' => $lesson->share,
            'reached' => $end === null ? null : $end->harvest_g >= $lesson->share * $end->best_g,
        ];
    }

    /** The garden that it is of, and in what its design differs by now; null where it is of none that is kept. */
    private function garden(DryRun $run): ?stdClass
    {
        $garden = $run->garden_id === null ? null : Garden::query()->find($run->garden_id);
        if ($garden === null) {
            return null;
        }
        $design = RunStore::design(GardenFile::decode($garden->document));
        if (GardenFile::encode($design) === $run->document) {
            return (object) ['id' => $garden->id, 'name' => $garden->name, 'differs' => []];
        }
        $now = $this->reader->fromDocument($design);
        [$was, $is] = [$this->alone($this->runs->gardenOf($run), $run->tub), $this->alone($now, $run->tub)];

        return (object) [
            'id' => $garden->id,
            'name' => $garden->name,
            // Null where the tub is there no more.
            'differs' => $is === null || $was === null ? null : array_map(static fn (Difference $d): stdClass => (object) [
                'where' => $d->where,
                'what' => $d->what,
                'was' => $d->before,
                'is' => $d->after,
            ], array_slice(Differences::between($was, $is, $this->names->byKey()), 0, self::MOST_DIFFERENCES)),
        ];
    }

    private function alone(Design $garden, string $id): ?stdClass
    {
        $tub = $garden->tub($id);
        $document = $tub === null ? null : SingleTub::alone($garden, $tub);
        if ($document !== null) {
            unset($document->name, $document->notes, $document->log, $document->owned, $document->prices);
        }

        return $document === null ? null : GardenFile::decode(GardenFile::encode($document));
    }
}
