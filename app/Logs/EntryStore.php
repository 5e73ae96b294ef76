<?php

declare(strict_types=1);

namespace App\Logs;

use App\Models\Garden;
use App\Models\LogEntry;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Log\MeterThinning;
use KelpTub\Core\Marks\Days\EntriesOfFile;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * Keeps what is read and done: each entry once, by the name that the page gave it. Sent again it is known; entries never collide with the
 * design, and writing one does not raise the garden's revision.
 */
final class EntryStore
{
    /** So many entries are taken at a time. */
    public const MOST_AT_ONCE = 500;

    public const A_PAGE = 500;

    private const ATTEMPTS = 5;

    private const ROWS_AT_ONCE = 500;

    private const DATE_LENGTH = 10;

    /** The clock of a phone may be wrong by so much, and be on the other side of the world, days. */
    private const AHEAD_DAYS = 2;

    /**
     * Takes entries one by one, in any order.
     *
     * @param  list<mixed>  $raws
     * @return list<array{id: string, result: string, message?: string}> of each whether it was `kept`, `known` already or `refused`
     */
    public function take(Garden $garden, array $raws): array
    {
        return DB::transaction(function () use ($garden, $raws): array {
            // Two batches of one garden come one after the other.
            Garden::query()->whereKey($garden->id)->lockForUpdate()->value('id');
            $reader = EntriesOfFile::reader(GardenFile::decode($garden->document));
            $named = array_filter(array_map(
                static fn (mixed $raw): ?string => $raw instanceof stdClass && is_string($raw->id ?? null) ? $raw->id : null,
                $raws,
            ));
            $known = [];
            foreach (LogEntry::query()->where('garden_id', $garden->id)->whereIn('entry', array_values($named))->get() as $row) {
                $known[$row->entry] = GardenFile::decode($row->document);
            }
            $room = new EntryRoom($garden->id);
            $answers = $rows = $entries = [];
            foreach ($raws as $raw) {
                [$answer, $entry] = self::answer($raw, $reader, $known, $room);
                $answers[] = $answer;
                if ($entry !== null) {
                    $known[$entry->id] = $entry->raw;
                    $rows[] = self::row($garden->id, $entry);
                    $entries[] = $entry;
                }
            }
            foreach (array_chunk($this->marked($garden->id, $rows, $entries), self::ROWS_AT_ONCE) as $some) {
                DB::table('entries')->insert($some);
            }

            return $answers;
        }, self::ATTEMPTS);
    }

    /**
     * Takes a table of entries, all or nothing.
     *
     * @param  list<stdClass>  $raws  known to be sound
     * @return int how many were kept; those that are here already are known
     *
     * @throws RefusedGarden where there is no room, or one of them is kept and says something else
     */
    public function takeAll(Garden $garden, array $raws): int
    {
        return DB::transaction(function () use ($garden, $raws): int {
            $kept = 0;
            foreach (array_chunk($raws, self::MOST_AT_ONCE, true) as $some) {
                $answers = $this->take($garden, array_values($some));
                foreach ($answers as $i => $answer) {
                    if ($answer['result'] === 'refused') {
                        throw RefusedGarden::one('/rows/'.(array_keys($some)[$i] + 1), $answer['message'] ?? 'was refused');
                    }
                    $kept += $answer['result'] === 'kept' ? 1 : 0;
                }
            }

            return $kept;
        }, self::ATTEMPTS);
    }

    /**
     * @param  array<string, stdClass>  $known
     * @return array{array{id: string, result: string, message?: string}, Entry|null}
     */
    private static function answer(mixed $raw, EntryReader $reader, array $known, EntryRoom $room): array
    {
        $id = $raw instanceof stdClass && is_string($raw->id ?? null) ? mb_substr($raw->id, 0, 40) : '';
        $refused = static fn (string $why): array => [['id' => $id, 'result' => 'refused', 'message' => $why], null];
        if (! $raw instanceof stdClass) {
            return $refused('is not an object');
        }
        if (isset($known[$id])) {
            return Differences::same($known[$id], $raw)
                ? [['id' => $id, 'result' => 'known'], null]
                : $refused('is kept already and says something else; put it right with an entry of its own that replaces it');
        }
        $entry = $reader->read($raw);
        if (! $entry instanceof Entry) {
            return $refused(implode('; ', array_map(static fn (string $m, string $why): string => "$m $why", array_keys($entry), $entry)));
        }
        if ($entry->day > Dates::number(now()->format('Y-m-d')) + self::AHEAD_DAYS) {
            return $refused("at is {$raw->at}, which is still to come");
        }
        $full = $room->take($entry->tub, $entry->copy);

        return $full !== null ? $refused($full) : [['id' => $id, 'result' => 'kept'], $entry];
    }

    /**
     * Puts in what a file brings along; the garden is new, and the file is known to be sound.
     *
     * @param  list<stdClass>  $raws
     */
    public function bring(Garden $garden, array $raws): void
    {
        $reader = EntriesOfFile::reader(GardenFile::decode($garden->document));
        foreach (array_chunk($raws, self::ROWS_AT_ONCE) as $some) {
            $rows = $entries = [];
            foreach ($some as $raw) {
                $entry = $reader->read($raw);
                if ($entry instanceof Entry) {
                    $rows[] = self::row($garden->id, $entry);
                    $entries[] = $entry;
                }
            }
            DB::table('entries')->insertOrIgnore($this->marked($garden->id, $rows, $entries));
        }
    }

    /** Gives a garden the log of another, which it is a copy of. */
    public function copy(string $from, string $to): void
    {
        $columns = ['entry', 'tub', 'copy', 'planting', 'at', 'minor', 'document', 'created_at'];
        DB::table('entries')->insertOrIgnoreUsing(
            ['garden_id', ...$columns],
            DB::table('entries')->where('garden_id', $from)->orderBy('id')->selectRaw('?', [$to])->addSelect($columns),
        );
    }

    /** @return array<string, mixed> */
    private static function row(string $garden, Entry $entry): array
    {
        return [
            'garden_id' => $garden,
            'entry' => $entry->id,
            'tub' => $entry->tub,
            'copy' => $entry->copy,
            'planting' => $entry->planting,
            'at' => substr((string) $entry->raw->at, 0, 16),
            'minor' => false,
            'document' => GardenFile::encode($entry->raw),
            'created_at' => now()->format('Y-m-d H:i:s.u'),
        ];
    }

    /** @return Builder<LogEntry> */
    public function of(string $garden, ?string $tub = null, ?int $copy = null): Builder
    {
        return LogEntry::query()->where('garden_id', $garden)
            ->when($tub !== null, static fn (Builder $q): Builder => $q->where('tub', $tub))
            ->when($copy !== null, static fn (Builder $q): Builder => $q->where('copy', $copy));
    }

    /**
     * As the core reads them, a meter's thinned; those of one copy where it is named.
     *
     * @param  stdClass|null  $document  whose plantings count; the kept design's own without it
     */
    public function entries(Garden $garden, ?string $tub = null, ?int $copy = null, ?stdClass $document = null): Entries
    {
        $raws = MeterThinning::of($this->decoded($this->thinned($garden->id, $tub, $copy)));

        return self::known($raws, EntriesOfFile::reader($document ?? GardenFile::decode($garden->document)));
    }

    /** Every one of one copy, to hand out. */
    public function all(Garden $garden, string $tub, int $copy): Entries
    {
        $raws = $this->decoded($this->texts($garden->id, $tub, $copy));

        return self::known($raws, EntriesOfFile::reader(GardenFile::decode($garden->document)));
    }

    /** @param  list<stdClass>  $raws */
    private static function known(array $raws, EntryReader $reader): Entries
    {
        $entries = [];
        foreach ($raws as $raw) {
            $entry = $reader->known($raw);
            if ($entry !== null) {
                $entries[] = $entry;
            }
        }

        return Entries::of($entries);
    }

    /**
     * All at once: thousands of small texts take longer one by one.
     *
     * @param  list<string>  $texts
     * @return list<stdClass>
     */
    private function decoded(array $texts): array
    {
        return json_decode('['.implode(',', $texts).']', false, 16, JSON_THROW_ON_ERROR);
    }

    /** @return list<string> the documents, in the order in which they came */
    private function texts(string $garden, ?string $tub, ?int $copy): array
    {
        return array_values($this->of($garden, $tub, $copy)->orderBy('id')->pluck('document')->map(strval(...))->all());
    }

    /**
     * The same without what a meter read long ago after the first of a day, which is not even fetched; MeterThinning says what counts.
     *
     * @return list<string>
     */
    private function thinned(string $garden, ?string $tub, ?int $copy): array
    {
        $rows = $this->of($garden, $tub, $copy)->where('minor', false)->pluck('document', 'id')->all();
        $meters = $this->of($garden, $tub, $copy)->where('minor', true)
            ->groupBy('tub', 'copy')->selectRaw('tub, copy, max(at) as at')->get();
        foreach ($meters as $last) {
            $from = Dates::text(Dates::number(substr($last->at, 0, self::DATE_LENGTH)) - MeterThinning::HOURLY_DAYS);
            $rows += $this->of($garden, $last->tub, $last->copy)->where('minor', true)->where('at', '>=', $from)
                ->pluck('document', 'id')->all();
        }
        ksort($rows);

        return array_values(array_map(strval(...), $rows));
    }

    /**
     * Tells which of some rows are a meter's and not its first of their day.
     *
     * @param  list<array<string, mixed>>  $rows
     * @param  list<Entry>  $entries  that they are of
     * @return list<array<string, mixed>>
     */
    private function marked(string $garden, array $rows, array $entries): array
    {
        $meter = array_keys(array_filter($entries, static fn (Entry $e): bool => $e->from === 'meter'));
        if ($meter === []) {
            return $rows;
        }
        $day = static fn (string $tub, int $copy, string $at): string => "$tub $copy ".substr($at, 0, self::DATE_LENGTH);
        $ats = array_map(static fn (int $i): string => $rows[$i]['at'], $meter);
        $firsts = [];
        $of = static fn (Closure $what): array => array_values(array_unique(array_map(static fn (int $i) => $what($entries[$i]), $meter)));
        $known = LogEntry::query()->where('garden_id', $garden)->where('minor', false)
            ->whereIn('tub', $of(static fn (Entry $e): string => $e->tub))
            ->whereIn('copy', $of(static fn (Entry $e): int => $e->copy))
            ->whereBetween('at', [substr(min($ats), 0, self::DATE_LENGTH), substr(max($ats), 0, self::DATE_LENGTH).'T99'])
            ->where('document', 'like', '%"from":"meter"%')
            ->get(['tub', 'copy', 'at']);
        foreach ($known as $row) {
            $firsts[$day($row->tub, $row->copy, $row->at)][] = $row->at;
        }
        usort($meter, static fn (int $a, int $b): int => $rows[$a]['at'] <=> $rows[$b]['at']);
        foreach ($meter as $i) {
            $its = $day($entries[$i]->tub, $entries[$i]->copy, $rows[$i]['at']);
            $rows[$i]['minor'] = isset($firsts[$its]) && min($firsts[$its]) <= $rows[$i]['at'];
            $firsts[$its][] = $rows[$i]['at'];
        }

        return $rows;
    }

    /** @return list<stdClass> all of a garden, as they go into its file */
    public function raws(string $garden): array
    {
        return $this->decoded($this->texts($garden, null, null));
    }

    /** The last that came, by its number; 0 where there is none. */
    public function last(string $garden): int
    {
        return (int) LogEntry::query()->where('garden_id', $garden)->max('id');
    }
}
