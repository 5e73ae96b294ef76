<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;
use WeakMap;

/**
 * Whether a document fits a JSON Schema, said at once: for the many documents that do.
 *
 * Knows the keywords that our schemas use and nothing more; a schema with another keyword fits nothing, so that a yes can be relied on.
 * What is wrong with a document that does not fit is told by SchemaCheck, which takes longer to make ready than most documents to plan.
 */
final class SchemaFit
{
    private const ANNOTATIONS = ['$schema', '$id', '$defs', 'title', 'description', 'default', 'x-form'];

    /** @var array<string, stdClass> */
    private readonly array $definitions;

    /** @var WeakMap<stdClass, mixed>|null what fits for sure, as an entry of a list */
    private ?WeakMap $sound = null;

    public function __construct(private readonly stdClass $schema)
    {
        $definitions = [];
        foreach (get_object_vars($schema->{'$defs'} ?? new stdClass) as $name => $definition) {
            $definitions["#/\$defs/$name"] = $definition;
        }
        $this->definitions = $definitions;
    }

    /** @param  WeakMap<stdClass, mixed>|null  $sound  entries of lists of which it is known that they fit where they are */
    public function fits(mixed $document, ?WeakMap $sound = null): bool
    {
        $this->sound = $sound;

        return $this->value($document, $this->schema);
    }

    /**
     * The lists of a document that have more entries than they may, found without a look at what is in them.
     *
     * @return list<Fault>
     */
    public function tooLong(mixed $document): array
    {
        return $this->longIn($document, $this->schema, '');
    }

    /** @return list<Fault> */
    private function longIn(mixed $value, mixed $schema, string $at): array
    {
        if (! $schema instanceof stdClass) {
            return [];
        }
        if (is_array($value) && isset($schema->maxItems) && count($value) > $schema->maxItems) {
            return [new Fault($at, 'has '.count($value)." entries; the most is $schema->maxItems")];
        }
        $faults = isset($schema->{'$ref'}) ? $this->longIn($value, $this->definitions[$schema->{'$ref'}] ?? null, $at) : [];
        foreach ($schema->anyOf ?? [] as $form) {
            $faults = [...$faults, ...$this->longIn($value, $form, $at)];
        }
        $inner = match (true) {
            is_array($value) && isset($schema->items) => array_fill_keys(array_keys($value), $schema->items),
            $value instanceof stdClass && isset($schema->properties) => array_intersect_key(
                get_object_vars($schema->properties),
                get_object_vars($value),
            ),
            default => [],
        };
        foreach ($inner as $step => $of) {
            $found = $this->longIn(
                is_array($value) ? $value[$step] : $value->{$step},
                $of,
                "$at/".PatchMaker::escaped($step),
            );
            $faults = $found === [] ? $faults : [...$faults, ...$found];
        }

        return array_values(array_unique($faults));
    }

    private function value(mixed $value, mixed $schema): bool
    {
        if (! $schema instanceof stdClass) {
            return $schema === true;
        }
        foreach (get_object_vars($schema) as $keyword => $wanted) {
            if (! $this->keyword((string) $keyword, $wanted, $value)) {
                return false;
            }
        }

        return true;
    }

    private function keyword(string $keyword, mixed $wanted, mixed $value): bool
    {
        return match ($keyword) {
            '$ref' => isset($this->definitions[$wanted]) && $this->value($value, $this->definitions[$wanted]),
            'anyOf' => $this->any($wanted, $value),
            'type' => $this->type($wanted, $value),
            'enum' => in_array($value, $wanted, true),
            'const' => $value === $wanted,
            'minimum' => ! is_numeric($value) || is_string($value) || $value >= $wanted,
            'maximum' => ! is_numeric($value) || is_string($value) || $value <= $wanted,
            'exclusiveMinimum' => ! is_numeric($value) || is_string($value) || $value > $wanted,
            'minLength' => ! is_string($value) || mb_strlen($value) >= $wanted,
            'maxLength' => ! is_string($value) || strlen($value) <= $wanted || mb_strlen($value) <= $wanted,
            'pattern' => ! is_string($value) || preg_match('/'.str_replace('/', '\/', $wanted).'/uD', $value) === 1,
            'minItems' => ! is_array($value) || count($value) >= $wanted,
            'maxItems' => ! is_array($value) || count($value) <= $wanted,
            'items' => ! is_array($value) || $this->items($value, $wanted),
            'required' => ! $value instanceof stdClass || $this->has($value, $wanted),
            'properties' => ! $value instanceof stdClass || $this->properties($value, $wanted),
            'additionalProperties' => ! $value instanceof stdClass || $this->additional($value, $wanted),
            default => in_array($keyword, self::ANNOTATIONS, true),
        };
    }

    /** @param  string|list<string>  $types */
    private function type(string|array $types, mixed $value): bool
    {
        foreach ((array) $types as $type) {
            $is = match ($type) {
                'object' => $value instanceof stdClass,
                'array' => is_array($value),
                'string' => is_string($value),
                'number' => is_int($value) || is_float($value),
                'integer' => is_int($value) || (is_float($value) && floor($value) === $value && is_finite($value)),
                'boolean' => is_bool($value),
                'null' => $value === null,
                default => false,
            };
            if ($is) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<stdClass>  $schemas */
    private function any(array $schemas, mixed $value): bool
    {
        foreach ($schemas as $schema) {
            if ($this->value($value, $schema)) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<mixed>  $values */
    private function items(array $values, mixed $schema): bool
    {
        foreach ($values as $value) {
            if ($this->sound !== null && $value instanceof stdClass && isset($this->sound[$value])) {
                continue;
            }
            if (! $this->value($value, $schema)) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<string>  $names */
    private function has(stdClass $value, array $names): bool
    {
        foreach ($names as $name) {
            if (! property_exists($value, $name)) {
                return false;
            }
        }

        return true;
    }

    private function properties(stdClass $value, stdClass $schemas): bool
    {
        foreach (get_object_vars($value) as $name => $member) {
            if (isset($schemas->{$name}) && ! $this->value($member, $schemas->{$name})) {
                return false;
            }
        }

        return true;
    }

    /** Only where no properties are listed, as our schemas use it. */
    private function additional(stdClass $value, mixed $schema): bool
    {
        return $this->items(get_object_vars($value), $schema);
    }
}
