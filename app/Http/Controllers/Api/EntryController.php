<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Logs\EntryStore;
use App\Logs\LogTable;
use App\Models\Garden;
use App\Models\LogEntry;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use KelpTub\Core\File\GardenFile;

/** The log of a garden: entries kept, handed out and taken in. */
final readonly class EntryController
{
    public function __construct(private EntryStore $entries)
    {
    }

    /**
     * `?tub&copy&after`: what came after a number, in pages; or `?before`: the last that came, and those before a number. Either says by
     * `next` whether there is more that way.
     */
    public function index(Request $request, Garden $garden): Response
    {
        $query = RequestInput::query($request, [
            'tub' => ['string', 'max:120'],
            'copy' => ['integer', 'min:1', 'max:50'],
            'after' => ['integer', 'min:0'],
            'before' => ['integer', 'min:1'],
        ]);
        $asked = $this->entries->of($garden->id, $query['tub'] ?? null, isset($query['copy']) ? (int) $query['copy'] : null);
        $isBack = isset($query['before']);
        $rows = (clone $asked)
            ->when(
                $isBack,
                static fn (Builder $q): Builder => $q->where('id', '<', (int) $query['before'])->orderByDesc('id'),
                static fn (Builder $q): Builder => $q->where('id', '>', (int) ($query['after'] ?? 0))->orderBy('id'),
            )
            ->limit(EntryStore::A_PAGE)
            ->get();
        $last = $rows->last();

        return self::json([
            'entries' => array_values($rows->map(static fn (LogEntry $row) => GardenFile::decode($row->document))->all()),
            'last' => $last === null ? (int) ($query['after'] ?? $query['before'] ?? 0) : $last->id,
            'count' => $asked->count(),
            'next' => $rows->count() === EntryStore::A_PAGE,
        ]);
    }

    /** `{"entries": […]}`, up to 500: of each whether it was kept, known or refused. */
    public function store(Request $request, Garden $garden): JsonResponse
    {
        $body = RequestInput::body($request, ['entries' => ['required', 'array', 'min:1', 'max:'.EntryStore::MOST_AT_ONCE]]);

        return new JsonResponse(
            ['entries' => $this->entries->take($garden, array_values((array) $body->entries)), 'last' => $this->entries->last($garden->id)],
            options: JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }

    /** A table of entries, all or nothing: CSV with columns by name, or JSON. */
    public function import(Request $request, Garden $garden): JsonResponse
    {
        $body = RequestInput::body($request, [
            'tub' => ['required', 'string', 'max:120'],
            'copy' => ['integer', 'min:1', 'max:50'],
            'text' => ['required', 'string', 'max:2000000'],
        ]);
        $raws = LogTable::read($body->text, $body->tub, (int) ($body->copy ?? 1), GardenFile::decode($garden->document));

        return new JsonResponse(['kept' => $this->entries->takeAll($garden, $raws)]);
    }

    /** The log of one copy as CSV, or as JSON. */
    public function export(Request $request, Garden $garden, string $form): Response
    {
        $query = RequestInput::query($request, ['tub' => ['required', 'string', 'max:120'], 'copy' => ['integer', 'min:1', 'max:50']]);
        $copy = (int) ($query['copy'] ?? 1);
        $entries = $this->entries->all($garden, $query['tub'], $copy);
        $name = (Str::slug("{$garden->name} {$query['tub']} $copy") ?: 'log').'-log';

        return new Response($form === 'csv' ? LogTable::csv($entries) : LogTable::json($entries), headers: [
            'Content-Type' => $form === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
            'Content-Disposition' => "attachment; filename=\"$name.$form\"",
        ]);
    }

    /** @param  array<string, mixed>  $answer */
    private static function json(array $answer): Response
    {
        return new Response(GardenFile::encode((object) $answer), headers: ['Content-Type' => 'application/json']);
    }
}
