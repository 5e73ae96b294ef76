<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\LibraryItem;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\File\SchemaFit;
use KelpTub\Core\File\SchemaParts;
use stdClass;

/** Vessels, cups, saws and crops of one's own, kept beside the shipped ones. Many are taken all together or not at all. */
final readonly class OwnLibrary
{
    /** No more rows than this are taken at a time. */
    public const MOST_ROWS = 10_000;

    private const CHUNK = 500;

    private const NAME_LENGTH = 120;

    public function __construct(private Library $shipped, private LibraryFiles $files)
    {
    }

    /** @return array<string, stdClass> by key, in the order of their names */
    public function documents(LibraryKind $kind): array
    {
        $documents = [];
        foreach (LibraryItem::query()->where('kind', $kind->value)->orderBy('name')->get() as $item) {
            $documents[$item->key] = GardenFile::decode($item->document);
        }

        return $documents;
    }

    /**
     * The saws the grower has, mm.
     *
     * @return list<float>
     */
    public function saws(): array
    {
        $saws = array_map(static fn (stdClass $saw): float => (float) $saw->diameter_mm, array_values($this->documents(LibraryKind::Saws)));
        sort($saws);

        return $saws;
    }

    /**
     * Puts items on a shelf; one whose key is there already is replaced. All of them, or none and every fault.
     *
     * @param  list<mixed>  $rows  objects with a name, and a key or none
     * @param  callable(int): string  $place  what a row is called where it came from
     * @return list<string> their keys
     *
     * @throws RefusedGarden
     */
    public function put(LibraryKind $kind, array $rows, callable $place): array
    {
        if (count($rows) > self::MOST_ROWS) {
            throw RefusedGarden::one('', sprintf('has %d rows; at most %d are taken at a time', count($rows), self::MOST_ROWS));
        }
        $items = $faults = [];
        $fit = new SchemaFit($this->schema($kind));
        $check = null;
        foreach ($rows as $i => $row) {
            if (count($faults) >= RefusedGarden::MOST_FAULTS) {
                $left = count($rows) - $i;
                $faults = [...array_slice($faults, 0, RefusedGarden::MOST_FAULTS - 1), new Fault('', "and $left more rows, not looked at")];
                break;
            }
            $found = [];
            if (! $row instanceof stdClass || ! $fit->fits($row)) {
                $check ??= new SchemaCheck($this->schema($kind));
                $found = $row instanceof stdClass ? $check->faults($row) : [new Fault('', 'is not an object')];
            }
            if ($found === [] && $row instanceof stdClass) {
                $found = $kind->disagreements($row);
                $key = $this->key($kind, $row);
                if (isset($items[$key])) {
                    $found[] = new Fault('/key', "is \"$key\", which another row has already; keys are unique");
                } elseif ($this->isShipped($kind, $key)) {
                    $found[] = new Fault('/key', "is \"$key\", which comes with Kelp Tub; give yours another");
                }
                unset($row->key);
                $items[$key] = $row;
            }
            foreach ($found as $fault) {
                $faults[] = new Fault($place($i).$fault->pointer, $fault->message);
            }
        }
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }
        $this->keep($kind, $items);

        return array_map(strval(...), array_keys($items));
    }

    public function remove(LibraryKind $kind, string $key): bool
    {
        return LibraryItem::query()->where('kind', $kind->value)->where('key', $key)->delete() > 0;
    }

    /** @param  array<string, stdClass>  $items */
    private function keep(LibraryKind $kind, array $items): void
    {
        $now = now();
        $rows = [];
        foreach ($items as $key => $item) {
            $rows[] = [
                'kind' => $kind->value,
                'key' => $key,
                'name' => $item->name,
                'document' => GardenFile::encode($item),
                'created_at' => $now,
                'updated_at' => $now,
            ];
        }
        DB::transaction(static function () use ($rows): void {
            foreach (array_chunk($rows, self::CHUNK) as $chunk) {
                LibraryItem::query()->upsert($chunk, ['kind', 'key'], ['name', 'document', 'updated_at']);
            }
        });
    }

    private function key(LibraryKind $kind, stdClass $row): string
    {
        $key = is_string($row->key ?? null) ? Str::slug($row->key) : '';
        if ($key !== '') {
            return mb_substr($key, 0, self::NAME_LENGTH);
        }
        $stem = Str::slug($row->name) ?: $kind->definition();
        $key = "own-$stem";

        return mb_substr($key, 0, self::NAME_LENGTH);
    }

    private function isShipped(LibraryKind $kind, string $key): bool
    {
        return match ($kind) {
            LibraryKind::Vessels => $this->shipped->vessels->has($key),
            LibraryKind::Cups => $this->shipped->cups->has($key),
            LibraryKind::Crops => $this->shipped->crops->has($key),
            LibraryKind::Saws => false,
        };
    }

    /** The schema of one item: what the garden file asks of it in place, and a name. */
    private function schema(LibraryKind $kind): stdClass
    {
        return SchemaParts::item($this->files->schema('garden'), $kind->definition());
    }
}
