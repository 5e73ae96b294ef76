<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Validator;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use stdClass;

/** What a request says, held against rules in the one place where it is read: its address or its body, never a mixture of the two. */
final class RequestInput
{
    private const MOST_ENTRIES = 1000;

    /** Whether it is for the API, which speaks JSON whatever happens. Told by the bytes: an address may be no text at all. */
    public static function ofApi(Request $request): bool
    {
        return str_starts_with($request->getPathInfo(), '/api/') || $request->getPathInfo() === '/up';
    }

    /** A word of the address; empty where there is none, or a list in its place. */
    public static function word(Request $request, string $name): string
    {
        $value = $request->query($name);

        return is_string($value) ? $value : '';
    }

    /** A number of the address from 1 on, as of a page. */
    public static function page(Request $request): int
    {
        return min(100_000, max(1, (int) self::word($request, 'page')));
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return array<string, mixed>
     */
    public static function query(Request $request, array $rules): array
    {
        return Validator::validate($request->query->all(), $rules);
    }

    /**
     * The body, with objects as objects: what is {} stays {}.
     *
     * @param  array<string, mixed>  $rules
     *
     * @throws RefusedGarden where it is not an object, or a list in it is too long
     */
    public static function body(Request $request, array $rules): stdClass
    {
        $body = GardenFile::decode($request->getContent());
        foreach (get_object_vars($body) as $name => $value) {
            // Rules are written out for every entry of a list before the first of them is held against it.
            if (is_array($value) && count($value) > self::MOST_ENTRIES) {
                throw RefusedGarden::one("/$name", sprintf('has %d entries; the most is %d', count($value), self::MOST_ENTRIES));
            }
        }
        Validator::validate((array) json_decode((string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR), true), $rules);

        return $body;
    }

    /** @throws RefusedGarden where a list or a number stands in place of an object */
    public static function object(mixed $value, string $pointer): stdClass
    {
        return $value instanceof stdClass ? $value : throw RefusedGarden::one($pointer, 'is not an object, and one is wanted');
    }

    /** A thing by its key, or whole. */
    public static function thing(mixed $value, string $pointer): string|stdClass
    {
        return is_string($value) || $value instanceof stdClass
            ? $value
            : throw RefusedGarden::one($pointer, 'is neither a key nor an object, and one of them is wanted');
    }
}
