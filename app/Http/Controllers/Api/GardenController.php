<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Gardens\GardenList;
use App\Gardens\GardenStore;
use App\Http\RequestInput;
use App\Http\WriteHeaders;
use App\Logs\EntryStore;
use App\Models\Garden;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use KelpTub\Core\File\GardenFile;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Gardens kept in the database: listed, made, read, written against a revision, deleted and brought back, as they are and as they were. */
final readonly class GardenController
{
    public function __construct(private GardenStore $store, private EntryStore $entries)
    {
    }

    public function index(Request $request, GardenList $list): JsonResponse
    {
        $page = $list->page(RequestInput::page($request));

        return new JsonResponse(['gardens' => $page->items(), 'page' => $page->currentPage(), 'pages' => $page->lastPage()]);
    }

    /** Makes a garden of a document, or an empty one of a name. */
    public function store(Request $request): JsonResponse
    {
        $body = GardenFile::decode($request->getContent());
        $named = ! isset($body->format) && is_string($body->name ?? null) && array_keys(get_object_vars($body)) === ['name'];
        $document = $named ? $this->store->blank(trim($body->name)) : $request->getContent();
        $garden = $this->store->create($document, WriteHeaders::key($request));

        return self::answer($garden, 201);
    }

    public function show(Garden $garden): JsonResponse
    {
        return self::answer($garden);
    }

    public function update(Request $request, string $id): JsonResponse
    {
        $revision = $this->store->update(
            $id,
            WriteHeaders::revision($request),
            $request->getContent(),
            WriteHeaders::key($request),
            WriteHeaders::follows($request),
        );

        return new JsonResponse(['id' => $id, 'revision' => $revision], headers: ['ETag' => "\"$revision\""]);
    }

    public function told(Garden $garden): JsonResponse
    {
        $this->store->told($garden);

        return new JsonResponse(['id' => $garden->id]);
    }

    public function destroy(Request $request, string $id): JsonResponse
    {
        $this->store->delete($id, WriteHeaders::revision($request));

        return new JsonResponse(['id' => $id]);
    }

    public function restore(Garden $garden): JsonResponse
    {
        $garden->restore();

        return self::answer($garden);
    }

    /** Its design; with `{"log": true}` what grows and was read in it too. */
    public function copy(Request $request, Garden $garden): JsonResponse
    {
        $body = RequestInput::body($request, ['log' => ['boolean']]);

        return self::answer($this->store->copy($garden, WriteHeaders::key($request), ($body->log ?? false) === true), 201);
    }

    /** A garden as it was at one of its revisions. */
    public function revision(Garden $garden, int $revision): JsonResponse
    {
        return new JsonResponse(['revision' => $revision, 'document' => self::at($garden, $revision)]);
    }

    /** Makes it what it was: as a new revision, so that this too can be gone back on. */
    public function goBack(Request $request, Garden $garden, int $revision): JsonResponse
    {
        $now = $this->store->update(
            $garden->id,
            WriteHeaders::revision($request),
            self::at($garden, $revision),
            WriteHeaders::key($request),
        );

        return new JsonResponse(['id' => $garden->id, 'revision' => $now]);
    }

    private static function at(Garden $garden, int $revision): string
    {
        $document = $garden->revisions()->where('revision', $revision)->value('document');

        return is_string($document) ? $document : throw new HttpException(404, 'That revision is not kept any more.');
    }

    /** The garden as a file to keep and share. */
    public function file(Garden $garden): Response
    {
        $name = Str::slug($garden->name) ?: 'garden';

        $document = GardenFile::decode($garden->document);
        $entries = $this->entries->raws($garden->id);
        if ($entries !== []) {
            $document->entries = $entries;
        }

        return new Response(GardenFile::encode($document, pretty: true)."\n", headers: [
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
        ], $status, ['ETag' => "\"$garden->revision\""]);
    }
}
