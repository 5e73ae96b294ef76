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

    public function offsetExists(mixed $offset): bool
    {
        return isset($this->lines[$offset]);
    }

    public function offsetGet(mixed $offset): Crop
    {
        return $this->made[$offset] ??= $this->make($this->lines[$offset] ?? throw new InvalidArgumentException("The Library has no crop $offset."));
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
        return count($this->lines);
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
        foreach (array_keys($this->lines) as $key) {
            $crops[$key] = $this->offsetGet($key);
        }

        return $crops;
    }

    private function make(string $line): Crop
    {
        /** @var array<string, string> $r */
        $r = array_combine($this->columns, str_getcsv($line));

        return new Crop(
            $r['key'], $r['name'], $r['group'],
            (float) $r['spacing_mm'], (float) $r['litres_per_plant'], (float) $r['water_to_harvest_l'],
            (int) $r['days_germinate'], (int) $r['days_sow_to_transplant'], (int) $r['days_transplant_to_harvest'],
            $r['harvest'] === 'repeat', (int) $r['days_harvest_lasts'], $r['passive'],
            (float) $r['ec_low'], (float) $r['ec_high'], (float) $r['ph_low'], (float) $r['ph_high'],
            (float) $r['root_oxygen_mg_h'], (float) $r['water_temp_low_c'], (float) $r['water_temp_high_c'],
            $r['support'], (float) $r['light_hours'], (float) $r['yield_g'], (float) $r['cup_min_mm'],
            (float) $r['mature_mass_g'], (float) $r['mature_height_mm'], $r['habit'],
        );
    }
}
