<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use JsonException;
use stdClass;
use WeakMap;

/** A garden as text: read, held against its format and its schema, and written again. What fails is refused whole with every fault. */
final readonly class GardenFile
{
    public const FORMAT = 'kelp-tub.garden';

    public const VERSION = 1;

    /** The largest design, bytes. */
    public const MOST_BYTES = 2_000_000;

    /** What entries of a log may add to a file, bytes. */
    public const MOST_ENTRIES_BYTES = 16_000_000;

    private const MOST_DEPTH = 64;

    public function __construct(private SchemaCheck $schema)
    {
    }

    /**
     * A file with what a log brings along: the design within its own limit, the entries within theirs.
     *
     * @throws RefusedGarden
     */
    public static function decodeWhole(string $json): stdClass
    {
        // Without entries there is nothing that may be larger than a design.
        $most = self::MOST_BYTES + (str_contains($json, '"entries"') ? self::MOST_ENTRIES_BYTES : 0);
        $document = self::decode($json, $most);
        if (strlen($json) > self::MOST_BYTES) {
            $design = clone $document;
            unset($design->entries);
            self::within(strlen(self::encode($design)), self::MOST_BYTES);
        }

        return $document;
    }

    /** @throws RefusedGarden */
    private static function within(int $bytes, int $most): void
    {
        if ($bytes > $most) {
            throw RefusedGarden::one('', sprintf('is %.1f MB; a garden file has at most %.0f MB', $bytes / 1e6, $most / 1e6));
        }
    }

    /**
     * @param  int  $most  bytes
     *
     * @throws RefusedGarden
     */
    public static function decode(string $json, int $most = self::MOST_BYTES): stdClass
    {
        self::within(strlen($json), $most);
        if (trim($json) === '') {
            throw RefusedGarden::one('', 'is empty; a garden file is JSON');
        }
        try {
            $document = json_decode(preg_replace('/^\xEF\xBB\xBF/', '', $json) ?? $json, false, self::MOST_DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw RefusedGarden::one(
                '',
                'is not JSON ('.lcfirst($e->getMessage()).'); a garden file ends in .kelp.json and is written by Kelp Tub',
            );
        }
        if (! $document instanceof stdClass) {
            throw RefusedGarden::one('', 'is not an object; a garden file starts with { "format": "kelp-tub.garden", … }');
        }

        return $document;
    }

    /** The document as text again: `{}` stays `{}`, `1.0` keeps its point. */
    public static function encode(stdClass $document, bool $pretty = false): string
    {
        $flags = JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

        return json_encode($document, $pretty ? $flags | JSON_PRETTY_PRINT : $flags);
    }

    /**
     * @param  WeakMap<stdClass, mixed>|null  $sound  entries of its lists that fit the schema for sure
     *
     * @throws RefusedGarden where it is no garden, a newer one, or breaks the schema
     */
    public function check(stdClass $document, ?WeakMap $sound = null): void
    {
        $format = $document->format ?? null;
        if ($format !== self::FORMAT) {
            $is = is_string($format) ? 'is "'.mb_substr($format, 0, 40).'"' : 'is missing';

            throw RefusedGarden::one('/format', "$is; this is not a garden file, whose format is \"".self::FORMAT.'"');
        }
        $version = $document->version ?? null;
        if (is_int($version) && $version > self::VERSION) {
            throw RefusedGarden::one('/version', "is $version; this Kelp Tub reads version ".self::VERSION.'. Open it with a newer one');
        }
        $faults = $this->schema->faults($document, $sound);
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }
    }
}
