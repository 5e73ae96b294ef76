<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Models\DryRun;
use App\Models\Garden;
use App\Runs\Lessons;
use App\Runs\RunStore;
use App\Runs\RunView;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use InvalidArgumentException;
use KelpTub\Core\DryRun\Luck;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\WhatIf\SeasonOdds;
use stdClass;

/** Seasons that are lived through before a seed is sown: begun, played, told, kept as a file; and a design over many seeds. */
final readonly class DryRunController
{
    /** So many seasons are played in one request. */
    public const MOST_SEEDS = 1000;

    public function __construct(private RunStore $runs, private RunView $view)
    {
    }

    /**
     * `{"garden", "tub"}` with `from`, the id of a garden that is kept, and `seed`; or `{"lesson"}`; or `{"same"}`, the id of a run whose
     * design is played again, with `"design": "now"` as its garden has it by now. With another run's `decisions` up to `day` it begins
     * there.
     */
    public function store(Request $request, Lessons $lessons): Response
    {
        $body = RequestInput::body($request, [
            'lesson' => ['string', 'max:60'],
            'same' => ['string', 'size:26'],
            'design' => ['in:then,now'],
            'tub' => ['required_without_all:lesson,same', 'string', 'max:120'],
            'from' => ['nullable', 'string', 'size:26'],
            'seed' => ['integer', 'min:0', 'max:'.Luck::MOST_SEED],
            'day' => ['integer', 'min:0', 'max:1000'],
            'decisions' => ['array'],
        ]);
        if (isset($body->lesson)) {
            $lesson = $lessons->of($body->lesson) ?? throw RefusedGarden::one(
                '/lesson',
                "is \"$body->lesson\", and no lesson is called so; they are ".implode(', ', array_column($lessons->all(), 'key')),
            );

            return $this->told($this->runs->begin($lesson->garden, null, 'tub', $lesson->seed, $lesson->key), 201);
        }
        [$garden, $from, $tub] = isset($body->same) ? $this->designOf($body->same, ($body->design ?? 'then') === 'now') : [
            RequestInput::object($body->garden ?? null, '/garden'),
            isset($body->from) && Garden::query()->whereKey($body->from)->exists() ? $body->from : null,
            $body->tub,
        ];
        $run = $this->runs->begin(
            $garden,
            $from,
            $tub,
            (int) ($body->seed ?? random_int(0, Luck::MOST_SEED)),
            null,
            array_values((array) ($body->decisions ?? [])),
            (int) ($body->day ?? 0),
        );

        return $this->told($run, 201);
    }

    /** @return array{stdClass, string|null, string} the design of another run, then or now, the garden that it is of, and the tub */
    private function designOf(string $id, bool $now): array
    {
        $run = DryRun::query()->findOrFail($id);
        $garden = $now ? Garden::query()->findOrFail($run->garden_id) : null;

        return [GardenFile::decode($garden->document ?? $run->document), $run->garden_id, $run->tub];
    }

    public function show(DryRun $run): Response
    {
        return $this->told($run);
    }

    /**
     * `{"revision", "decisions", "day", "on": "day"}`: plays on by a `day`, a `week`, to the `next` thing or to the `end`; without `on` it
     * stays, or goes back, to `day`. Where it was played on elsewhere meanwhile it is answered as it stands, and `overtaken`.
     */
    public function update(Request $request, DryRun $run): Response
    {
        $body = RequestInput::body($request, [
            'revision' => ['required', 'integer', 'min:1'],
            'day' => ['required', 'integer', 'min:0', 'max:1000'],
            'on' => ['nullable', 'in:day,week,next,end'],
            'decisions' => ['present', 'array'],
        ]);
        $isDone = $this->runs->play(
            $run,
            (int) $body->revision,
            array_values((array) $body->decisions),
            (int) $body->day,
            $body->on ?? null,
        );

        return $this->told($run, overtaken: ! $isDone);
    }

    public function destroy(DryRun $run): JsonResponse
    {
        $run->delete();

        return new JsonResponse(['id' => $run->id]);
    }

    /** What the Log says of it by what was read and done so far. */
    public function diagnosis(DryRun $run): Response
    {
        $season = $this->runs->seasonOf($run);

        return self::json((object) ['findings' => $season->diagnosis($this->runs->decisionsOf($run, $season), $run->day)]);
    }

    public function file(DryRun $run): Response
    {
        $name = (Str::slug($run->name) ?: 'run').'.kelp-run.json';

        return new Response($this->runs->file($run), headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"$name\"",
        ]);
    }

    /** `{"text"}`: a file of a run, taken in as one of its own. */
    public function takeIn(Request $request): Response
    {
        $body = RequestInput::body($request, ['text' => ['required', 'string', 'max:4000000']]);

        return $this->told($this->runs->takeIn($body->text), 201);
    }

    /** `{"garden", "tub", "seeds"}`: how it fares under its own habits over so many seasons. */
    public function odds(Request $request, GardenReader $reader, #[Give('planner.whole')] Planner $planner): Response
    {
        $body = RequestInput::body($request, [
            'tub' => ['required', 'string', 'max:120'],
            'seeds' => ['required', 'integer', 'min:1', 'max:'.self::MOST_SEEDS],
        ]);
        $garden = $reader->fromDocument(RequestInput::object($body->garden ?? null, '/garden'));
        $tub = $garden->tub($body->tub) ?? throw RefusedGarden::one('/tub', "is \"$body->tub\", and no tub of this garden has that id");
        try {
            return self::json((new SeasonOdds($planner, $planner->aids->library))->of($garden, $tub, (int) $body->seeds));
        } catch (InvalidArgumentException $refused) {
            throw RefusedGarden::one('/tub', $refused->getMessage());
        }
    }

    private function told(DryRun $run, int $status = 200, bool $overtaken = false): Response
    {
        $view = $this->view->of($run);
        $view->overtaken = $overtaken;

        return self::json($view, $status);
    }

    private static function json(stdClass $answer, int $status = 200): Response
    {
        return new Response(GardenFile::encode($answer), $status, ['Content-Type' => 'application/json']);
    }
}
