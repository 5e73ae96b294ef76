<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Growers\Acting;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use App\Logs\Photos;
use App\Models\Garden;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use JsonException;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use stdClass;

/**
 * All gardens and the Library's own things as one open file, and back. What is here already stays as it is: a garden that differs from
 * the one in the file comes in beside it, as a copy that says so. One that was deleted here comes back as it is in the file.
 */
final readonly class Everything
{
    public const FORMAT = 'kelp-tub.everything';

    public const VERSION = 1;

    /** The largest such file that a page may send, bytes; read, it takes some ten times that of memory, and at worst thirty. */
    public const MOST_BYTES = 16_000_000;

    private const WRITTEN_BY = '; such a file is written by "Everything as one file" and bin/backup';

    private const MOST_DEPTH = 80;

    private const NAME_LENGTH = 120;

    /** So many gardens a file may hold. */
    private const MOST_GARDENS = 5000;

    private GardenStore $store;

    /** @param  Planner  $quick  what comes in is listed with what is known at once, and worked out to its end when the list is looked at */
    public function __construct(GardenReader $reader, Planner $quick, private OwnLibrary $own, Photos $photos, private Acting $acting)
    {
        $this->store = new GardenStore($reader, $quick, $own, $photos);
    }

    /**
     * The file, piece by piece; whoever wants it of one moment opens a transaction around it. Only columns that there were from the start
     * are read: it is also written before an update of the tables.
     *
     * @return iterable<string>
     */
    public function written(): iterable
    {
        $made = Carbon::now('UTC')->toIso8601String();
        yield sprintf('{"format":"%s","version":%d,"made":"%s","gardens":[', self::FORMAT, self::VERSION, $made);
        $first = true;
        $hasLog = Schema::hasTable('entries');
        $gardens = DB::table('gardens')->whereNull('deleted_at')->select(['id', 'updated_at', 'document']);
        if ($this->acting->id() !== null) {
            $gardens->where('owner_id', $this->acting->id());
        }
        foreach ($gardens->lazyById(50) as $garden) {
            yield ($first ? '' : ',')."\n".sprintf(
                '{"id":"%s","changed":"%s","document":%s',
                $garden->id,
                Carbon::parse($garden->updated_at, 'UTC')->toIso8601String(),
                $garden->document,
            );
            if ($hasLog) {
                yield from self::log($garden->id);
            }
            yield '}';
            $first = false;
        }
        yield "\n],\"library\":{";
        foreach (LibraryKind::cases() as $i => $kind) {
            yield ($i === 0 ? '' : ',')."\n\"$kind->value\":".GardenFile::encode((object) $this->own->documents($kind));
        }
        yield "\n}}\n";
    }

    /** @return iterable<string> what was read and done in a garden, in pieces; nothing where there is none */
    private static function log(string $garden): iterable
    {
        $begun = false;
        foreach (DB::table('entries')->where('garden_id', $garden)->select(['id', 'document'])->lazyById(500) as $entry) {
            yield ($begun ? ',' : ',"entries":[').$entry->document;
            $begun = true;
        }
        yield $begun ? ']' : '';
    }

    /**
     * Takes in what is not here yet.
     *
     * @param  int  $most  the largest text that is read, bytes
     *
     * @throws RefusedGarden where it is no such file
     */
    public function takeIn(string $json, int $most = self::MOST_BYTES): TakenIn
    {
        $file = self::decoded($json, $most);
        $count = is_array($file->gardens ?? null) ? count($file->gardens) : 0;
        if ($count > self::MOST_GARDENS) {
            throw RefusedGarden::one('/gardens', sprintf('has %d entries; the most is %d', $count, self::MOST_GARDENS));
        }
        $done = new TakenIn;
        foreach (is_array($file->gardens ?? null) ? $file->gardens : [] as $i => $entry) {
            $document = $entry instanceof stdClass ? $entry->document ?? null : null;
            if (! $document instanceof stdClass) {
                $done->refuse("/gardens/$i", 'has no document');

                continue;
            }
            $name = is_string($document->name ?? null) ? $document->name : "/gardens/$i";
            try {
                $document->entries = is_array($entry->entries ?? null) ? $entry->entries : [];
                $this->garden(is_string($entry->id ?? null) ? $entry->id : '', $document, self::day($file), $done);
            } catch (RefusedGarden $refused) {
                $done->refuse($name, (string) $refused->faults[0]);
            }
        }
        foreach (LibraryKind::cases() as $kind) {
            $this->shelf($kind, $file->library->{$kind->value} ?? null, $done);
        }

        return $done;
    }

    private function garden(string $id, stdClass $document, string $day, TakenIn $done): void
    {
        $known = preg_match('/^[0-9a-hjkmnp-tv-z]{26}$/', $id) === 1 ? $id : null;
        $here = $known === null ? null : Garden::withTrashed()->find($known);
        $text = GardenFile::encode($document);
        if ($here === null) {
            // One that is another grower’s comes in under an id of its own, and read in twice it comes in once.
            $isTaken = $known !== null && Garden::withoutGlobalScopes()->whereKey($known)->exists();
            $made = $this->store->create($text, $isTaken ? 'in-'.hash('xxh128', $id.$text) : null, $isTaken ? null : $known);
            $done->new[] = $made->name;
            $done->places[$id] = $made->id;
        } elseif ($here->deleted_at !== null) {
            $done->back[] = $this->store->bringBack($here, $document)->name;
            $done->places[$id] = $here->id;
        } elseif (Differences::same(GardenFile::decode($here->document), self::design($document))) {
            $this->store->bringEntries($here, $document->entries ?? []);
            $done->same++;
            $done->places[$id] = $here->id;
        } else {
            $name = is_string($document->name ?? null) ? $document->name : 'Garden';
            $document->name = mb_substr($name, 0, self::NAME_LENGTH - mb_strlen($day) - 3)." ($day)";
            // Read in twice it comes in once.
            $made = $this->store->create(GardenFile::encode($document), 'in-'.hash('xxh128', $text.$day));
            $done->places[$id] = $made->id;
            if ($made->wasRecentlyCreated) {
                $done->beside[] = $made->name;
            } else {
                $done->same++;
            }
        }
    }

    private static function design(stdClass $document): stdClass
    {
        $design = clone $document;
        unset($design->entries);

        return $design;
    }

    private function shelf(LibraryKind $kind, mixed $items, TakenIn $done): void
    {
        $here = $this->own->documents($kind);
        $rows = [];
        foreach ($items instanceof stdClass ? get_object_vars($items) : [] as $key => $item) {
            if (isset($here[$key]) && Differences::same($here[$key], $item)) {
                $done->same++;
            } elseif ($item instanceof stdClass) {
                // One that is here and differs stays; this comes in under a free key.
                $rows[] = isset($here[$key]) ? clone $item : (object) ['key' => (string) $key, ...get_object_vars($item)];
            } else {
                $done->refuse((string) $key, 'is not an object');
            }
        }
        $this->put($kind, $rows, $done);
    }

    /**
     * All together; where one of them will not do, by halves, so that the others come in.
     *
     * @param  list<stdClass>  $rows
     */
    private function put(LibraryKind $kind, array $rows, TakenIn $done): void
    {
        try {
            $done->items += $rows === [] ? 0 : count($this->own->put($kind, $rows, static fn (): string => ''));
        } catch (RefusedGarden $refused) {
            if (count($rows) === 1) {
                $done->refuse(is_string($rows[0]->name ?? null) ? $rows[0]->name : 'A thing without a name', (string) $refused->faults[0]);

                return;
            }
            foreach (array_chunk($rows, max(1, intdiv(count($rows) + 1, 2))) as $half) {
                $this->put($kind, $half, $done);
            }
        }
    }

    private static function decoded(string $json, int $most): stdClass
    {
        if (strlen($json) > $most) {
            throw RefusedGarden::one('', sprintf('is %.1f MB; it has at most %.0f MB', strlen($json) / 1e6, $most / 1e6));
        }
        try {
            $file = json_decode($json, false, self::MOST_DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw RefusedGarden::because(
                [new Fault('', 'is not JSON ('.lcfirst($e->getMessage()).')'.self::WRITTEN_BY)],
            );
        }
        if (! $file instanceof stdClass || ($file->format ?? null) !== self::FORMAT) {
            throw RefusedGarden::one('/format', 'is not "'.self::FORMAT.'"'.self::WRITTEN_BY);
        }
        $version = $file->version ?? null;
        if ($version !== self::VERSION) {
            $is = is_int($version) ? "is $version" : 'is missing';

            throw RefusedGarden::one('/version', "$is; this Kelp Tub reads version ".self::VERSION);
        }

        return $file;
    }

    private static function day(stdClass $file): string
    {
        return is_string($file->made ?? null) && preg_match(
            '/^\d{4}-\d\d-\d\d/',
            $file->made,
            $m,
        ) === 1 ? "from a file of $m[0]" : 'from a file';
    }
}
