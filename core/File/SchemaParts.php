<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use LogicException;
use stdClass;

/** Puts a JSON Schema together from the parts that the marks own, each a file of its own. */
final class SchemaParts
{
    /**
     * Objects of the same name are joined and what they require is added up; anything else stands in one part only. Comments are left out.
     *
     * @param  iterable<stdClass>  $parts
     */
    public static function joined(iterable $parts): stdClass
    {
        $schema = new stdClass;
        foreach ($parts as $part) {
            self::add($schema, $part);
        }

        return $schema;
    }

    /**
     * The schema of an item of the Library: what a garden may hold in place, and a name.
     *
     * @param  stdClass  $garden  the garden's schema
     */
    public static function item(stdClass $garden, string $definition): stdClass
    {
        return (object) [
            '$schema' => $garden->{'$schema'},
            '$id' => "kelp-tub:item-$definition",
            '$ref' => "#/\$defs/$definition",
            'type' => 'object',
            'required' => ['name'],
            'properties' => (object) [
                'name' => (object) ['$ref' => '#/$defs/name', 'minLength' => 1],
                'key' => (object) ['type' => 'string', 'maxLength' => 120],
            ],
            '$defs' => $garden->{'$defs'},
        ];
    }

    private static function add(stdClass $schema, stdClass $part): void
    {
        foreach (get_object_vars($part) as $name => $value) {
            $here = $schema->{$name} ?? null;
            match (true) {
                $name === '$comment' => null,
                $here === null => $schema->{$name} = $value,
                $name === 'required' => $schema->{$name} = [...$here, ...$value],
                $here instanceof stdClass && $value instanceof stdClass => self::add($here, $value),
                default => throw new LogicException("Two parts of the schema say what $name is."),
            };
        }
    }
}
