<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use ArrayIterator;
use Closure;
use Countable;
use InvalidArgumentException;
use IteratorAggregate;
use stdClass;

/**
 * Things of the Library by key, of one kind. A garden needs few of them, so each is made when it is first asked for.
 *
 * @template T of object
 *
 * @implements IteratorAggregate<string, T>
 */
final class Shelf implements Countable, IteratorAggregate
{
    /** @var array<string, T> */
    private array $made = [];

    /** @var array<string, stdClass> */
    private array $read = [];

    /**
     * @param  array<string, stdClass|string>  $raw  by key, in the form a garden file holds them in place, or that as text
     * @param  Closure(stdClass, string): T  $make
     */
    public function __construct(private readonly array $raw, private readonly Closure $make)
    {
    }

    public function has(string $key): bool
    {
        return isset($this->raw[$key]);
    }

    /** @return T */
    public function get(string $key): object
    {
        return $this->made[$key] ??= ($this->make)($this->raw($key), $key);
    }

    /** The thing as a garden file would hold it in place. */
    public function raw(string $key): stdClass
    {
        return $this->read[$key] ??= self::object(
            $this->raw[$key] ?? throw new InvalidArgumentException("The Library has no $key."),
        );
    }

    private static function object(stdClass|string $raw): stdClass
    {
        return is_string($raw) ? GardenFile::decode($raw) : $raw;
    }

    /** @return array<string, stdClass> all of it as it is kept */
    public function documents(): array
    {
        $all = [];
        foreach ($this->keys() as $key) {
            $all[$key] = $this->raw($key);
        }

        return $all;
    }

    /**
     * The shelf with things of one's own beside it; one that has the key of another stands before it.
     *
     * @param  array<string, stdClass>  $own
     * @return self<T>
     */
    public function with(array $own): self
    {
        return $own === [] ? $this : new self($own + $this->raw, $this->make);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->raw));
    }

    public function count(): int
    {
        return count($this->raw);
    }

    /** @return ArrayIterator<string, T> */
    public function getIterator(): ArrayIterator
    {
        $all = [];
        foreach ($this->keys() as $key) {
            $all[$key] = $this->get($key);
        }

        return new ArrayIterator($all);
    }
}
