<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;

/**
 * Makes the JSON Patch (RFC 6902) that sets values in a garden, whether or not the way to them is written in the file yet.
 *
 * Where a Library key stands for a whole object, the object is put in its place with the value changed, and remembers the key.
 */
final readonly class PatchMaker
{
    public function __construct(private stdClass $document, private Library $library)
    {
    }

    /**
     * `set('/tubs/0/vessel/cover', 'paint')`.
     *
     * @return list<stdClass>
     */
    public function set(string $pointer, mixed $value): array
    {
        $steps = self::steps($pointer);
        $last = count($steps) - 1;
        $at = $this->document;
        $here = '';
        foreach ($steps as $i => $step) {
            $here .= '/'.self::escaped($step);
            $next = is_array($at) ? ($at[(int) $step] ?? null) : ($at->{$step} ?? null);
            if ($i === $last || $next === null || is_scalar($next)) {
                $start = is_string($next) ? $this->fromLibrary($step, $next) : null;

                return [self::operation('add', $here, self::nest($start, array_slice($steps, $i + 1), $value))];
            }
            $at = $next;
        }

        return [];
    }

    /**
     * Appends to a list, which is made where it is missing.
     *
     * @return list<stdClass>
     */
    public function append(string $pointer, stdClass $value): array
    {
        $at = $this->document;
        foreach (self::steps($pointer) as $step) {
            $at = is_array($at) ? ($at[(int) $step] ?? null) : ($at->{$step} ?? null);
        }

        return is_array($at)
            ? [self::operation('add', "$pointer/-", $value)]
            : $this->set($pointer, [$value]);
    }

    /**
     * Puts a value where the object that holds it is written in the file, whatever stood there.
     *
     * @return list<stdClass>
     */
    public function put(string $pointer, mixed $value): array
    {
        return [self::operation('add', $pointer, $value)];
    }

    /**
     * Takes out what is written in the file.
     *
     * @return list<stdClass>
     */
    public function remove(string $pointer): array
    {
        return [(object) ['op' => 'remove', 'path' => $pointer]];
    }

    /** @return list<string> the steps of a JSON Pointer (RFC 6901) */
    public static function steps(string $pointer): array
    {
        $steps = explode('/', substr($pointer, 1));

        return str_contains($pointer, '~') ? str_replace(['~1', '~0'], ['/', '~'], $steps) : $steps;
    }

    /** One step as it is written in a JSON Pointer. */
    public static function escaped(string|int $step): string
    {
        return str_replace(['~', '/'], ['~0', '~1'], (string) $step);
    }

    private static function operation(string $op, string $path, mixed $value): stdClass
    {
        return (object) ['op' => $op, 'path' => $path, 'value' => $value];
    }

    /** @param  list<string>  $steps */
    private static function nest(?stdClass $start, array $steps, mixed $value): mixed
    {
        if ($steps === []) {
            return $value;
        }
        $object = $start ?? new stdClass;
        $first = array_shift($steps);
        $inner = $object->{$first} ?? null;
        $object->{$first} = self::nest($inner instanceof stdClass ? clone $inner : null, $steps, $value);

        return $object;
    }

    private function fromLibrary(string $member, string $key): ?stdClass
    {
        $shelf = $this->library->shelfFor($member);
        if ($shelf === null || ! $shelf->has($key)) {
            return null;
        }
        $object = clone $shelf->raw($key);
        $object->key = $key;

        return $object;
    }
}
