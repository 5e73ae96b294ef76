<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Library\KnownNames;
use App\Logs\Photos;
use App\Models\Garden;
use App\Models\Revision;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\File\Difference;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Vessel\Station;

/**
 * What gardens were: their revisions, fewer the older they are, and those that were deleted.
 *
 * Tidying goes by the clock, and a clock may be wrong for a while: it is done only when the last one is as long ago as it should be.
 */
final readonly class GardenHistory
{
    public const A_PAGE = 20;

    /** Days after which a deleted garden is gone for good. */
    public const DAYS_DELETED = 90;

    /**
     * Of revisions older than so many hours one is kept for each so many hours: all of a day, then hourly for a week, daily for two
     * months, weekly.
     */
    private const KEPT = [[24, 0], [7 * 24, 1], [60 * 24, 24], [PHP_INT_MAX, 7 * 24]];

    /** Between one tidying and the next, hours: sooner is too soon, and later is a clock that jumped or a machine that slept. */
    private const LEAST_BETWEEN = 12;

    private const MOST_BETWEEN = 45 * 24;

    private const MOST_SAYS = 6;

    public function __construct(private GardenReader $reader, private KnownNames $names, private Photos $photos)
    {
    }

    /** @return LengthAwarePaginator<int, covariant array<string, mixed>> the newest first, each with what it changed */
    public function page(Garden $garden, int $page): LengthAwarePaginator
    {
        $total = $garden->revisions()->count();
        // One more than is shown: the first of the next page is what the last of this one came from.
        $some = $garden->revisions()->orderByDesc('revision')->skip(($page - 1) * self::A_PAGE)->take(self::A_PAGE + 1)->get();
        $names = $this->names->byKey();
        $shown = [];
        foreach ($some->take(self::A_PAGE) as $i => $revision) {
            $before = $some->get($i + 1);
            $shown[] = [
                'revision' => $revision->revision,
                'at' => $revision->created_at->toIso8601String(),
                'says' => $before === null ? ['The first that is kept.'] : self::says($before->document, $revision->document, $names),
                'tubs' => $this->outline($revision->document),
            ];
        }

        return new LengthAwarePaginator($shown, $total, self::A_PAGE, $page);
    }

    /** @return Collection<int, Garden> deleted ones, the last deleted first */
    public function deleted(): Collection
    {
        return Garden::onlyTrashed()->latest('deleted_at')->limit(200)->get();
    }

    /**
     * Does what is due.
     *
     * @return array{int, int}|null revisions thinned out and gardens removed for good; null where it is not the time for it
     */
    public function tidy(?Carbon $now = null): ?array
    {
        $now ??= now();
        $last = DB::table('tidyings')->orderByDesc('id')->value('at');
        $hours = is_string($last) ? Carbon::parse($last, 'UTC')->diffInHours($now, false) : null;
        if ($hours !== null && $hours >= 0 && $hours < self::LEAST_BETWEEN) {
            return null;
        }
        $due = $hours !== null && $hours >= self::LEAST_BETWEEN && $hours <= self::MOST_BETWEEN;
        $done = $due ? [$this->thin($now), $this->purge($now)] : null;
        DB::transaction(static function () use ($now): void {
            DB::table('tidyings')->delete();
            DB::table('tidyings')->insert(['at' => $now]);
        });

        return $done;
    }

    private function thin(Carbon $now): int
    {
        $gone = 0;
        foreach (Garden::withTrashed()->pluck('id') as $id) {
            $revisions = Revision::query()->where('garden_id', $id)->orderByDesc('revision')->get(['id', 'created_at']);
            $surplus = self::surplus(array_values($revisions->all()), $now);
            $gone += $surplus === [] ? 0 : Revision::query()->whereIn('id', $surplus)->delete();
        }

        return $gone;
    }

    /**
     * Of each stretch of time the newest stays, and so do the newest and the oldest of all.
     *
     * @param  list<Revision>  $revisions  the newest first
     * @return list<int> the ids of those that may go
     */
    private static function surplus(array $revisions, Carbon $now): array
    {
        $surplus = $taken = [];
        foreach (array_slice($revisions, 0, -1) as $revision) {
            $age = $revision->created_at->diffInSeconds($now, false) / 3600;
            foreach (self::KEPT as [$upTo, $every]) {
                if ($age < $upTo) {
                    break;
                }
            }
            $stretch = $every === 0 ? null : "$every:".intdiv($revision->created_at->getTimestamp(), $every * 3600);
            if ($stretch !== null && isset($taken[$stretch])) {
                $surplus[] = (int) $revision->getKey();
            }
            $taken[$stretch ?? ''] = true;
        }

        return $surplus;
    }

    private function purge(Carbon $now): int
    {
        $gone = (int) Garden::onlyTrashed()->where('deleted_at', '<', $now->copy()->subDays(self::DAYS_DELETED))->forceDelete();
        $pictured = $this->photos->gardens();
        $here = Garden::withTrashed()->whereIn('id', $pictured)->pluck('id')->map(strtolower(...))->all();
        array_map($this->photos->forget(...), array_diff($pictured, $here));

        return $gone;
    }

    /**
     * @param  array<array-key, string>  $names
     * @return list<string>
     */
    private static function says(string $before, string $after, array $names): array
    {
        $differences = Differences::between(GardenFile::decode($before), GardenFile::decode($after), $names);
        $says = array_map(static fn (Difference $d): string => $d->says(), array_slice($differences, 0, self::MOST_SAYS));
        $more = count($differences) - count($says);

        return [...$says, ...($more > 0 ? ["and $more more"] : [])];
    }

    /** @return list<array<string, mixed>> the outlines of its tubs, to draw them small */
    private function outline(string $document): array
    {
        try {
            $garden = $this->reader->read($document);
        } catch (RefusedGarden) {
            // What was kept under other rules is shown without a drawing.
            return [];
        }

        return array_map(static fn (Tub $tub): array => [
            'name' => $tub->name,
            'count' => $tub->count,
            'stations' => array_map(static fn (Station $station): array => [
                'height_mm' => $station->height,
                'length_mm' => $station->section->length,
            ], $tub->body->vessel->profile->stations),
        ], $garden->tubs);
    }
}
