<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;

/**
 * A JSON Patch (RFC 6902) that says what it is meant for, so that it can be told later whether that still stands there.
 *
 * Before its operations come `test` operations: for every entry of a list on the way to a place the entry's own name (`id`, or the
 * `tub` and `copy` that it is of; an entry without a name is held whole), and the value that is replaced or taken out. Where an operation
 * adds a member and there is no test of that place, nothing stood there. Who applies the patch to a document that has changed since finds
 * the entries again by their names.
 */
final class GuardedPatch
{
    /** What an entry of a list is known by: by the first of these that it has in full or in part. */
    private const NAMES = [['id'], ['tub', 'copy']];

    /** @var array<string, mixed> what is to stand where, by its JSON Pointer */
    private array $tests = [];

    /** @var array<string, list<int|null>> where the entries of a list stood in the document, null for one that the patch put there */
    private array $order = [];

    /** @var array<string, true> places whose value is the patch's own by now */
    private array $made = [];

    private function __construct(private readonly stdClass $document)
    {
    }

    /**
     * `[{"op":"test","path":"/tubs/0/id","value":"tote"},{"op":"test","path":"/tubs/0/cover","value":"paint"}, …]` before what it does.
     *
     * @param  list<stdClass>  $patch  of `add`, `replace` and `remove` on the document
     * @return list<stdClass>
     */
    public static function of(stdClass $document, array $patch): array
    {
        if ($patch === []) {
            return [];
        }
        $guard = new self($document);
        foreach ($patch as $operation) {
            $guard->follow($operation);
        }
        // What only adds still says what kind of thing it is for.
        $tests = $guard->tests === [] ? ['/format' => $document->format] : $guard->tests;

        return [...array_map(
            static fn (string $path, mixed $value): stdClass => (object) ['op' => 'test', 'path' => $path, 'value' => $value],
            array_keys($tests),
            $tests,
        ), ...$patch];
    }

    /** Notes what one operation is meant for, and what it does to the places of what comes after it. */
    private function follow(stdClass $operation): void
    {
        $steps = PatchMaker::steps($operation->path);
        $last = (string) array_pop($steps);
        [$at, $here] = [$this->document, ''];
        foreach ($steps as $step) {
            $entry = is_array($at) ? ($this->orderOf($here, $at)[(int) $step] ?? null) : $step;
            $there = "$here/".PatchMaker::escaped($entry ?? '-');
            $next = is_array($at) ? ($at[$entry ?? -1] ?? null) : ($at->{$step} ?? null);
            if (isset($this->made[$there]) || ! (is_array($next) || $next instanceof stdClass)) {
                return;
            }
            $this->tests += is_array($at) ? self::named($next, $there) : [];
            [$at, $here] = [$next, $there];
        }
        is_array($at) ? $this->followEntry($here, $at, $last, $operation->op) : $this->followMember($here, $at, $last);
    }

    private function followMember(string $here, stdClass $object, string $member): void
    {
        $there = "$here/".PatchMaker::escaped($member);
        if (property_exists($object, $member)) {
            $this->tests[$there] = $object->{$member};
        }
        $this->made[$there] = true;
    }

    /** @param  array<mixed>  $list */
    private function followEntry(string $here, array $list, string $step, string $op): void
    {
        $order = $this->orderOf($here, $list);
        $at = $step === '-' ? count($order) : (int) $step;
        $entry = $op === 'add' ? null : ($order[$at] ?? null);
        array_splice($order, $at, $op === 'add' ? 0 : 1, $op === 'remove' ? [] : [null]);
        $this->order[$here] = $order;
        if ($entry !== null) {
            $this->tests += [...self::named($list[$entry], "$here/$entry"), "$here/$entry" => $list[$entry]];
        }
    }

    /**
     * @param  array<mixed>  $list
     * @return list<int|null>
     */
    private function orderOf(string $here, array $list): array
    {
        return $this->order[$here] ?? array_keys(array_values($list));
    }

    /** @return array<string, mixed> */
    private static function named(mixed $entry, string $pointer): array
    {
        foreach (self::NAMES as $names) {
            $has = array_intersect_key($entry instanceof stdClass ? get_object_vars($entry) : [], array_flip($names));
            if ($has !== []) {
                return array_combine(array_map(static fn (string $name): string => "$pointer/$name", array_keys($has)), $has);
            }
        }

        return [$pointer => $entry];
    }
}
