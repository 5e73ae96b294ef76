<?php

declare(strict_types=1);

namespace App\Logs;

use App\Models\Garden;
use App\Version;
use Illuminate\Container\Attributes\Give;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Diary\DiaryReport;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * What is due over all gardens, and how each planted tub stands today. It is kept for each garden as it was worked out for a day, and
 * worked out anew when the design, the log, the day or the rules are others.
 */
final readonly class DueDays
{
    private const BACK_DAYS = 14;

    private const AHEAD_DAYS = 7;

    /** What is put together with something else may come from so far behind, days. */
    private const MARGIN_DAYS = 7;

    /** So many gardens are looked at, the last changed first. */
    private const MOST_GARDENS = 50;

    public function __construct(
        private GardenReader $reader,
        #[Give('planner.forecast')] private Planner $planner,
        private EntryStore $entries,
    ) {
    }

    /**
     * @param  float  $now  of the grower's clock, in days as `Dates` counts
     * @return list<stdClass> the gardens in which something is planted
     */
    public function all(float $now): array
    {
        $gardens = Garden::query()->latest('updated_at')->latest('id')->limit(self::MOST_GARDENS)->get(['id', 'name', 'revision']);
        $last = DB::table('entries')->whereIn(
            'garden_id',
            $gardens->pluck('id'),
        )->groupBy('garden_id')->selectRaw('garden_id, max(id) as last')
            ->pluck('last', 'garden_id');
        $kept = DB::table('due_days')->whereIn('garden_id', $gardens->pluck('id'))->get()->keyBy('garden_id');
        $due = [];
        foreach ($gardens as $garden) {
            $basis = implode(' ', [
                Version::NUMBER,
                $garden->revision,
                (int) ($last[$garden->id] ?? 0),
                // Half a day on a tub stands otherwise.
                Dates::text((int) floor($now)).($now - floor($now) < 0.5 ? 'am' : 'pm'),
            ]);
            $known = $kept[$garden->id] ?? null;
            $of = $known !== null && $known->basis === $basis
                ? GardenFile::decode($known->document)
                : $this->worked($garden->id, $basis, $now);
            if ($of !== null && $of->tubs !== []) {
                $of->name = $garden->name;
                $due[] = $of;
            }
        }

        return $due;
    }

    private function worked(string $id, string $basis, float $now): ?stdClass
    {
        $garden = Garden::query()->find($id);
        if ($garden === null) {
            return null;
        }
        $read = $this->reader->read($garden->document);
        $diary = new Diary(
            $this->planner,
            $read,
            $this->entries->entries($garden),
            $now,
            (int) floor($now) + self::AHEAD_DAYS + self::MARGIN_DAYS,
        );
        $today = $diary->today();
        $tubs = [];
        foreach ($diary->planted() as [$tub, $copy]) {
            $of = $diary->copy($tub, $copy);
            $state = $of->state();
            $tubs[] = (object) [
                'tub' => $tub->id,
                'copy' => $copy,
                'count' => $tub->count,
                'name' => $tub->name,
                'today' => $state === null ? null : DiaryReport::todayOf($of, $state),
                'rim_mm' => $of->copy->feed->tub->tub->body->vessel->profile->rim(),
                'items' => array_map(
                    static fn (Item $i): stdClass => $i->toReport($today),
                    array_values(array_filter(
                        $diary->daysOf($tub, $copy, $today - self::BACK_DAYS, $today + self::AHEAD_DAYS),
                        static fn (Item $i): bool => $i->done === null,
                    )),
                ),
            ];
        }
        $due = (object) ['id' => $id, 'name' => $garden->name, 'units' => $read->units->value, 'tubs' => $tubs];
        DB::table('due_days')->upsert([['garden_id' => $id, 'basis' => $basis, 'document' => GardenFile::encode($due)]], ['garden_id']);

        return $due;
    }
}
