<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use stdClass;
use WeakMap;

/** Holds a document against a JSON Schema and says every fault in words, by JSON pointer. */
final class SchemaCheck
{
    /** No more faults than this are counted. */
    private const MOST_FAULTS = 2000;

    private readonly SchemaFit $fit;

    public function __construct(private readonly stdClass $schema)
    {
        $this->fit = new SchemaFit($schema);
    }

    /**
     * @param  WeakMap<stdClass, mixed>|null  $sound  entries of lists of which it is known that they fit where they are
     * @return list<Fault>
     */
    public function faults(mixed $document, ?WeakMap $sound = null): array
    {
        if ($this->fit->fits($document, $sound)) {
            return [];
        }
        // Lists that are too long are not gone through item by item.
        $long = $this->fit->tooLong($document);
        if ($long !== []) {
            return $long;
        }
        $validator = new Validator(null, self::MOST_FAULTS, false);
        // A member with a default is wanted all the same, and none is filled in: a document is what it says.
        $validator->parser()->setOption('allowDefaults', false);
        $error = $validator->validate($document, $this->schema)->error();
        $faults = [];
        foreach ($error === null ? [] : self::leaves($error) as $leaf) {
            $fault = self::fault($leaf);
            $faults[$fault->pointer.' '.$fault->message] = $fault;
        }

        return array_values($faults);
    }

    /** @return list<ValidationError> */
    private static function leaves(ValidationError $error): array
    {
        $leaves = [];
        foreach ($error->subErrors() as $sub) {
            $leaves = [...$leaves, ...self::leaves($sub)];
        }

        return $leaves === [] ? [$error] : $leaves;
    }

    private static function fault(ValidationError $error): Fault
    {
        $path = array_map(
            static fn (string|int $step): string => str_replace(['~', '/'], ['~0', '~1'], (string) $step),
            $error->data()->fullPath(),
        );
        $args = $error->args();
        $given = self::shown($error->data()->value());
        $message = match ($error->keyword()) {
            'required' => 'needs '.self::list($args['missing'] ?? []),
            'type' => "is $given, and ".self::types((array) ($args['expected'] ?? [])).' is wanted',
            'enum' => "is $given; it may be ".self::list((array) ($error->schema()->info()->data()->enum ?? [])),
            'const' => "is $given, and ".self::shown($error->schema()->info()->data()->const ?? null).' is wanted',
            'exclusiveMinimum' => "is $given; it must be above ".self::shown($args['min'] ?? null),
            'minimum' => "is $given; the least is ".self::shown($args['min'] ?? null),
            'maximum', 'exclusiveMaximum' => "is $given; the most is ".self::shown($args['max'] ?? null),
            'maxLength' => 'is '.($args['length'] ?? 'too').' characters long; the most is '.self::shown($args['max'] ?? null),
            'minLength' => 'is empty',
            'maxItems' => 'has '.($args['count'] ?? 'too many').' entries; the most is '.self::shown($args['max'] ?? null),
            'minItems' => 'has '.($args['count'] ?? 'too few').' entries; the least is '.self::shown($args['min'] ?? null),
            'pattern' => "is $given, which is not of the form wanted here",
            default => "is $given, which does not fit",
        };

        return new Fault($path === [] ? '' : '/'.implode('/', $path), $message);
    }

    private static function shown(mixed $value): string
    {
        return match (true) {
            is_array($value) => 'a list',
            is_object($value) => 'an object',
            is_float($value) && ! is_finite($value) => 'more than a number can be',
            is_string($value) => '"'.(mb_strlen($value) > 40 ? mb_substr($value, 0, 37).'…' : $value).'"',
            default => (string) json_encode($value, JSON_PARTIAL_OUTPUT_ON_ERROR),
        };
    }

    /** @param  array<mixed>  $values */
    private static function list(array $values): string
    {
        return implode(', ', array_map(static fn (mixed $v): string => is_string($v) ? $v : self::shown($v), $values));
    }

    /** @param  array<mixed>  $types */
    private static function types(array $types): string
    {
        $words = [
            'object' => 'an object',
            'array' => 'a list',
            'string' => 'text',
            'number' => 'a number',
            'integer' => 'a whole number',
            'boolean' => 'true or false',
            'null' => 'null',
        ];

        return implode(' or ', array_map(static fn (mixed $t): string => $words[(string) $t] ?? (string) $t, $types));
    }
}
