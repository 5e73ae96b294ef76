<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use ArrayAccess;
use ArrayIterator;
use Countable;
use InvalidArgumentException;
use IteratorAggregate;
use LogicException;

/**
 * The crops of the Library by key, read from the crop table's text. A garden needs few of them, so each is made when it is first asked for.
 *
 * @implements ArrayAccess<string, Crop>
 * @implements IteratorAggregate<string, Crop>
 */
final class CropShelf implements ArrayAccess, Countable, IteratorAggregate
{
    /** @var array<string, Crop> */
    private array $made = [];

    /** @var array<string, array<string, mixed>> crops of one's own, by key */
    private array $own = [];

    /**
     * @param  list<string>  $columns
     * @param  array<string, string>  $lines  by key
     */
    private function __construct(private readonly array $columns, private readonly array $lines)
    {
    }

    /** The table as text: a line of column names, then a crop a line, its key first. */
    public static function fromCsv(string $csv): self
    {
        $lines = explode("\n", trim($csv));
        $columns = array_map(strval(...), str_getcsv(array_shift($lines)));
        $byKey = [];
        foreach ($lines as $line) {
            $byKey[strstr($line, ',', true) ?: $line] = $line;
        }

        return new self($columns, $byKey);
    }

    /**
     * The shelf with crops of one's own beside it; one that has the key of another stands before it.
     *
     * @param  array<string, array<string, mixed>>  $rows  by key, with the table's columns
     */
    public function with(array $rows): self
    {
        $shelf = new self($this->columns, $this->lines);
        $shelf->own = [...$this->own, ...$rows];

        return $shelf;
    }

    public function offsetExists(mixed $offset): bool
    {
        return isset($this->own[$offset]) || isset($this->lines[$offset]);
    }

    public function offsetGet(mixed $offset): Crop
    {
        return $this->made[$offset] ??= Crop::fromRow((string) $offset, $this->own[$offset] ?? $this->row($this->lines[$offset] ?? throw new InvalidArgumentException("The Library has no crop $offset.")));
    }

    public function offsetSet(mixed $offset, mixed $value): never
    {
        throw new LogicException('The shelf of crops is for reading.');
    }

    public function offsetUnset(mixed $offset): never
    {
        throw new LogicException('The shelf of crops is for reading.');
    }

    public function count(): int
    {
        return count($this->keys());
    }

    /** @return ArrayIterator<string, Crop> */
    public function getIterator(): ArrayIterator
    {
        return new ArrayIterator($this->all());
    }

    /** @return array<string, Crop> */
    public function all(): array
    {
        $crops = [];
        foreach ($this->keys() as $key) {
            $crops[$key] = $this->offsetGet($key);
        }

        return $crops;
    }

    /** @return list<string> */
    private function keys(): array
    {
        return array_map(strval(...), array_keys([...$this->lines, ...$this->own]));
    }

    /** @return array<string, string> */
    private function row(string $line): array
    {
        return array_combine($this->columns, array_map(strval(...), str_getcsv($line)));
    }
}
