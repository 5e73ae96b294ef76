<?php

declare(strict_types=1);

namespace App\Library;

use App\Growers\Acting;
use App\Models\LibraryItem;
use Closure;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\File\SchemaFit;
use KelpTub\Core\File\SchemaParts;
use stdClass;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** What of the Library is one's own, kept beside the shipped things. Many are taken all together or not at all. */
final readonly class OwnLibrary
{
    /** No more rows than this are taken at a time. */
    public const MOST_ROWS = 10_000;

    private const CHUNK = 500;

    /** So many things of one's own a shelf holds. */
    public const MOST_ON_SHELF = 10_000;

    public const A_PAGE = 200;

    private const STEM_LENGTH = 110;

    /** So long one who writes waits for another, s. */
    private const WAIT_S = 20;

    private const ATTEMPTS = 5;

    public function __construct(private Library $shipped, private LibraryFiles $files, private Acting $acting)
    {
    }

    /** @return array<array-key, stdClass> by key, in the order of their names */
    public function documents(LibraryKind $kind): array
    {
        $documents = [];
        foreach (LibraryItem::query()->where('kind', $kind->value)->orderBy('name')->get() as $item) {
            // Of several growers, which only a command sees together, two may have things of one key.
            $key = isset($documents[$item->key]) ? "$item->key-{$item->getKey()}" : $item->key;
            $documents[$key] = GardenFile::decode($item->document);
        }

        return $documents;
    }

    /** @return array<array-key, string> of all shelves, by key */
    public function names(): array
    {
        return LibraryItem::query()->pluck('name', 'key')->all();
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

    /** @return LengthAwarePaginator<int, covariant array<string, mixed>> the shelf as the page shows it, so many at a time */
    public function page(LibraryKind $kind, int $page): LengthAwarePaginator
    {
        return LibraryItem::query()->where('kind', $kind->value)->orderBy('name')->orderBy('id')
            ->paginate(self::A_PAGE, page: $page)
            ->through(self::shown(...));
    }

    /** @return array<string, mixed> */
    private static function shown(LibraryItem $item): array
    {
        return ['key' => $item->key, ...get_object_vars(GardenFile::decode($item->document)), 'own' => true];
    }

    /**
     * Puts items on a shelf. One with the key of an item that is there takes its place; one without gets a free key, unless the same
     * item is
     * there already. All of them, or none and every fault.
     *
     * @param  list<mixed>  $rows  objects with a name, and a key or none
     * @param  callable(int): string  $place  what a row is called where it came from
     * @param  (callable(stdClass $row, stdClass $kept): stdClass)|null  $over  how a row goes over the item whose key it has; whole if null
     * @return list<string> their keys
     *
     * @throws RefusedGarden
     */
    public function put(LibraryKind $kind, array $rows, callable $place, ?callable $over = null): array
    {
        if (count($rows) > self::MOST_ROWS) {
            throw RefusedGarden::one('', sprintf('has %d rows; at most %d are taken at a time', count($rows), self::MOST_ROWS));
        }
        $this->check($kind, $rows, $place);

        return $this->alone($kind, fn (): array => $this->keep($kind, $rows, $place, $over));
    }

    /**
     * @param  list<mixed>  $rows
     * @param  callable(int): string  $place
     *
     * @throws RefusedGarden
     */
    private function check(LibraryKind $kind, array $rows, callable $place): void
    {
        $faults = $keys = [];
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
                $key = self::given($row);
                if ($key !== null && isset($keys["=$key"])) {
                    $found[] = new Fault('/key', "is \"$key\", which another row has already; keys are unique");
                } elseif ($key !== null && $this->isShipped($kind, $key)) {
                    $found[] = new Fault('/key', "is \"$key\", which comes with Kelp Tub; give yours another");
                }
                $keys["=$key"] = true;
            }
            foreach ($found as $fault) {
                $faults[] = new Fault($place($i).$fault->pointer, $fault->message);
            }
        }
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }
    }

    public function remove(LibraryKind $kind, string $key): bool
    {
        return LibraryItem::query()->where('kind', $kind->value)->where('key', $key)->delete() > 0;
    }

    /**
     * One at a time on a shelf: two who would take the same free key, or wait for each other's rows, come one after the other.
     *
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     */
    private function alone(LibraryKind $kind, Closure $work): mixed
    {
        $name = "kelp-shelf-$kind->value";
        $got = DB::selectOne('SELECT GET_LOCK(?, ?) AS got', [$name, self::WAIT_S]);
        if ((int) ($got->got ?? 0) !== 1) {
            throw new ServiceUnavailableHttpException(5, 'Others are writing to this shelf. Nothing was taken; try again in a moment.');
        }
        try {
            return DB::transaction($work, self::ATTEMPTS);
        } finally {
            DB::selectOne('SELECT RELEASE_LOCK(?) AS done', [$name]);
        }
    }

    /**
     * @param  list<stdClass>  $rows
     * @param  callable(int): string  $place
     * @param  (callable(stdClass, stdClass): stdClass)|null  $over
     * @return list<string>
     */
    private function keep(LibraryKind $kind, array $rows, callable $place, ?callable $over): array
    {
        $there = $this->documents($kind);
        $byName = [];
        foreach ($there as $key => $item) {
            $byName[$item->name][] = (string) $key;
        }
        $keys = $kept = [];
        foreach ($rows as $i => $given) {
            $row = clone $given;
            $key = self::given($row);
            unset($row->key);
            if ($key !== null && isset($there[$key])) {
                $row = $over === null ? $row : $over($row, $there[$key]);
                $faults = $over === null ? [] : [...(new SchemaCheck($this->schema($kind)))->faults($row), ...$kind->disagreements($row)];
                if ($faults !== []) {
                    throw RefusedGarden::one($place($i).$faults[0]->pointer, $faults[0]->message.', with what is kept of it');
                }
            }
            $key ??= $this->sameThing(
                $row,
                $byName[$row->name] ?? [],
                $there,
                $over,
            ) ?? $this->free($kind, $row, $given->key ?? null, $there);
            $there[$key] = $row;
            $byName[$row->name][] = $key;
            $keys[] = $key;
            $kept[$key] = $row;
        }
        if (count($there) > self::MOST_ON_SHELF) {
            throw RefusedGarden::one('', sprintf('would make %d on this shelf; it holds %d', count($there), self::MOST_ON_SHELF));
        }
        $this->store($kind, $kept);

        return $keys;
    }

    /** @param  array<array-key, stdClass>  $items */
    private function store(LibraryKind $kind, array $items): void
    {
        $now = now();
        $owner = $this->acting->owner();
        $rows = [];
        foreach ($items as $key => $item) {
            $rows[] = [
                'owner_id' => $owner,
                'kind' => $kind->value,
                'key' => (string) $key,
                'name' => $item->name,
                'document' => GardenFile::encode($item),
                'created_at' => $now,
                'updated_at' => $now,
            ];
        }
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            LibraryItem::query()->upsert($chunk, ['owner_id', 'kind', 'key'], ['name', 'document', 'updated_at']);
        }
    }

    /** The key that a row asks for; null where it has none, or none that could be one. */
    private static function given(stdClass $row): ?string
    {
        $key = is_int($row->key ?? null) ? (string) $row->key : $row->key ?? null;

        return is_string($key) && preg_match('/^[a-z0-9][a-z0-9-]{0,119}$/D', $key) === 1 ? $key : null;
    }

    /**
     * The key of the same item, if it is there.
     *
     * @param  list<string>  $keys  of items of the same name
     * @param  array<array-key, stdClass>  $there
     * @param  (callable(stdClass, stdClass): stdClass)|null  $over
     */
    private function sameThing(stdClass $row, array $keys, array $there, ?callable $over): ?string
    {
        foreach ($keys as $key) {
            if (Differences::same($there[$key], $over === null ? $row : $over($row, $there[$key]))) {
                return $key;
            }
        }

        return null;
    }

    /** @param  array<array-key, stdClass>  $there */
    private function free(LibraryKind $kind, stdClass $row, mixed $asked, array $there): string
    {
        $stem = is_string($asked) && Str::slug($asked) !== '' ? Str::slug($asked) : 'own-'.(Str::slug($row->name) ?: $kind->definition());
        $stem = mb_substr($stem, 0, self::STEM_LENGTH);
        for ($n = 1; isset($there[$key = $n === 1 ? $stem : "$stem-$n"]) || $this->isShipped($kind, $key); $n++);

        return $key;
    }

    private function isShipped(LibraryKind $kind, string $key): bool
    {
        return match ($kind) {
            LibraryKind::Vessels => $this->shipped->vessels->has($key),
            LibraryKind::Cups => $this->shipped->cups->has($key),
            LibraryKind::Crops => $this->shipped->crops->has($key),
            LibraryKind::Pumps => $this->shipped->pumps->has($key),
            LibraryKind::Stones => $this->shipped->stones->has($key),
            LibraryKind::Feeds => $this->shipped->products->has($key),
            LibraryKind::Saws => false,
        };
    }

    /** The schema of one item: what the garden file asks of it in place, and a name. */
    private function schema(LibraryKind $kind): stdClass
    {
        return SchemaParts::item($this->files->schema('garden'), $kind->definition());
    }
}
