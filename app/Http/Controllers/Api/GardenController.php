<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Gardens\GardenList;
use App\Gardens\GardenStore;
use App\Models\Garden;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use KelpTub\Core\File\GardenFile;

/** Gardens kept in the database: listed, made, read, written against a revision, deleted and brought back. */
final readonly class GardenController
{
    public function __construct(private GardenStore $store)
    {
    }

    public function index(GardenList $list): JsonResponse
    {
        return new JsonResponse(['gardens' => $list->all()]);
    }

    /** Makes a garden of a document, or an empty one of a name. */
    public function store(Request $request): JsonResponse
    {
        $body = GardenFile::decode($request->getContent());
        $named = ! isset($body->format) && is_string($body->name ?? null) && array_keys(get_object_vars($body)) === ['name'];
        $garden = $this->store->create($named ? $this->store->blank(trim($body->name)) : $request->getContent());

        return self::answer($garden, 201);
    }

    public function show(Garden $garden): JsonResponse
    {
        return self::answer($garden);
    }

    public function update(Request $request, string $id): JsonResponse
    {
        $revision = (int) $request->header('If-Match', '0');

        return self::answer($this->store->update($id, $revision, $request->getContent()));
    }

    public function destroy(Garden $garden): JsonResponse
    {
        $garden->delete();

        return new JsonResponse(['id' => $garden->id]);
    }

    public function restore(Garden $garden): JsonResponse
    {
        $garden->restore();

        return self::answer($garden);
    }

    public function copy(Garden $garden): JsonResponse
    {
        return self::answer($this->store->copy($garden), 201);
    }

    /** The garden as a file to keep and share. */
    public function file(Garden $garden): Response
    {
        $name = Str::slug($garden->name) ?: 'garden';

        return new Response(GardenFile::encode(GardenFile::decode($garden->document), pretty: true)."\n", headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"$name.kelp.json\"",
        ]);
    }

    private static function answer(Garden $garden, int $status = 200): JsonResponse
    {
        return new JsonResponse([
            'id' => $garden->id,
            'name' => $garden->name,
            'revision' => $garden->revision,
            'document' => $garden->document,
        ], $status);
    }
}
