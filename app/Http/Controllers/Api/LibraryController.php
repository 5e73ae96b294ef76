<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryFiles;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use JsonException;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use stdClass;

/** Things of one's own in the Library: kept, removed, taken from a file and written to one. */
final readonly class LibraryController
{
    public function __construct(private OwnLibrary $own, private LibraryFiles $files)
    {
    }

    /** What is on a shelf, so many at a time: `?page=`. */
    public function index(LibraryKind $kind, Request $request): JsonResponse
    {
        $page = $this->own->page($kind, RequestInput::page($request));

        return new JsonResponse(['items' => $page->items(), 'page' => $page->currentPage(), 'pages' => $page->lastPage()]);
    }

    public function store(LibraryKind $kind, Request $request): JsonResponse
    {
        $keys = $this->own->put($kind, [GardenFile::decode($request->getContent())], static fn (): string => '');

        return new JsonResponse(['key' => $keys[0]], 201);
    }

    public function destroy(LibraryKind $kind, string $key): JsonResponse
    {
        return $this->own->remove($kind, $key)
            ? new JsonResponse(['key' => $key])
            : new JsonResponse(['message' => 'That is not here any more.'], 404);
    }

    /** The body is `{"csv": "…"}` or `{"json": "…"}`: a file as text. */
    public function import(LibraryKind $kind, Request $request): JsonResponse
    {
        $body = self::file($request);
        $over = null;
        if (isset($body['csv'])) {
            $tables = $this->files->tables();
            $rows = $tables->read($kind, $body['csv']);
            // A table cannot hold all there is of an item: what it does not say stays.
            $over = static fn (stdClass $row, stdClass $kept): stdClass => $tables->over($kind, $row, $kept);
            $place = static fn (int $i): string => 'line '.($i + 2);
        } else {
            $rows = self::rows($body['json'] ?? '');
            $place = static fn (int $i): string => "/$i";
        }

        return new JsonResponse(['keys' => $this->own->put($kind, $rows, $place, $over)], 201);
    }

    public function export(LibraryKind $kind, string $form): Response
    {
        $items = $this->own->documents($kind);
        $rows = [];
        foreach ($items as $key => $item) {
            $rows[] = (object) ['key' => (string) $key, ...get_object_vars($item)];
        }

        return new Response(
            $form === 'csv' ? $this->files->tables()->write($kind, $items) : json_encode(
                $rows,
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
            )."\n",
            headers: [
                'Content-Type' => $form === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
                'Content-Disposition' => "attachment; filename=\"kelp-{$kind->value}.$form\"",
            ],
        );
    }

    /** @return array{csv?: string, json?: string} */
    private static function file(Request $request): array
    {
        $body = json_decode($request->getContent(), true, 4);
        $of = is_array($body) ? array_filter(array_intersect_key($body, ['csv' => 0, 'json' => 0]), is_string(...)) : [];

        return $of !== [] ? $of : throw RefusedGarden::one('', 'is no file; send {"csv": "…"} or {"json": "…"}');
    }

    /**
     * A list of objects, or an object of them by key.
     *
     * @return list<mixed>
     */
    private static function rows(string $json): array
    {
        try {
            $rows = json_decode($json, false, 32, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw RefusedGarden::one('', 'is not JSON ('.lcfirst($e->getMessage()).'); a list of items is wanted, as this page writes it');
        }
        if ($rows instanceof stdClass) {
            $byKey = [];
            foreach (get_object_vars($rows) as $key => $row) {
                $byKey[] = $row instanceof stdClass ? (object) ['key' => (string) $key, ...get_object_vars($row)] : $row;
            }
            $rows = $byKey;
        }

        return is_array($rows) ? array_values($rows) : throw RefusedGarden::one(
            '',
            'is not a list; a list of items is wanted, as this page writes it',
        );
    }
}
