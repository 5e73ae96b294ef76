<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\NewTub;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Garden\TubEdits;
use KelpTub\Core\WhatIf\NewTubAdvice;
use stdClass;

/** Changes that bring more with them than one value: garden in, a JSON Patch on it out. Nothing is kept. */
final readonly class EditController
{
    private const NAME_LENGTH = 120;

    public function __construct(private GardenReader $reader, private Library $library, private OwnLibrary $own)
    {
    }

    /** What may be said of a new tub besides. */
    private const MORE = ['started', 'cutting', 'hole_mm', 'layout'];

    /**
     * A tub for the bench. The body is `{"garden": {…}, "tub": {"name", "system", "vessel", "cup", "crop"}}`, things by key or whole; and
     * what else is known of it: `started`, or `cutting`, `hole_mm` and `layout` of a lid that is drilled already.
     */
    public function add(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'tub.name' => ['required', 'string', 'max:'.self::NAME_LENGTH],
            'tub.system' => ['bail', 'required', 'string', Rule::enum(GrowingSystem::class)],
            'tub.crop' => ['nullable', 'string', 'max:'.self::NAME_LENGTH],
        ]);
        $garden = $this->reader->fromDocument(RequestInput::object($body->garden ?? null, '/garden'));
        $tub = RequestInput::object($body->tub, '/tub');
        $vessel = RequestInput::thing($tub->vessel ?? null, '/tub/vessel');
        $cup = RequestInput::thing($tub->cup ?? null, '/tub/cup');
        $crop = $tub->crop ?? null;
        $more = array_intersect_key(get_object_vars($tub), array_flip(self::MORE));
        $this->alone($vessel, $cup, $crop, $more);
        $new = new NewTub(
            $tub->name,
            GrowingSystem::from($tub->system),
            $this->inPlace(LibraryKind::Vessels, $vessel),
            $this->inPlace(LibraryKind::Cups, $cup),
            $crop,
            $this->ownCrop($crop),
            $more,
        );
        $edits = new TubEdits($garden, $this->library);

        return new JsonResponse(['tub' => $edits->freeId($new), 'patch' => GuardedPatch::of($garden->document, $edits->add($new))]);
    }

    /** Another way to run a tub: the garden in the body, `?tub=` and `?system=`. */
    public function run(Request $request): JsonResponse
    {
        $asked = RequestInput::query($request, ['system' => ['bail', 'required', 'string', Rule::enum(GrowingSystem::class)]]);
        $system = GrowingSystem::from($asked['system']);

        return $this->onTub($request, fn (Garden $garden, Tub $tub): array => (new TubEdits($garden, $this->library))->run($tub, $system));
    }

    /** Stands a tub in another vessel, or with no `&under=` takes it out: the garden in the body, `?tub=` and `&under=` a key. */
    public function nest(Request $request): JsonResponse
    {
        $under = RequestInput::word($request, 'under');
        $lower = $under !== '' ? $this->inPlace(LibraryKind::Vessels, $under) : null;
        if (is_string($lower)) {
            $this->alone($lower, 'net-cup-50', null);
        }

        return $this->onTub($request, fn (Garden $garden, Tub $tub): array => (new TubEdits($garden, $this->library))->nest($tub, $lower));
    }

    /** Stones and a line for a tub that lacks them: the garden in the body, `?tub=`. */
    public function aerate(Request $request, Planner $planner): JsonResponse
    {
        return $this->onTub($request, static fn (Garden $garden, Tub $tub): array => $planner->addAir($garden, $tub));
    }

    /** Takes a tub away with all that speaks of it: the garden in the body, `?tub=`. */
    public function remove(Request $request, Planner $planner): JsonResponse
    {
        return $this->onTub($request, static fn (Garden $garden, Tub $tub): array => $planner->bench($garden)->remove($tub));
    }

    /** Another tub like one beside it: the garden in the body, `?tub=`. */
    public function copy(Request $request, Planner $planner): JsonResponse
    {
        $copy = null;
        $answer = $this->onTub($request, static function (Garden $garden, Tub $tub) use ($planner, &$copy): array {
            [$copy, $patch] = $planner->bench($garden)->copy($tub);

            return $patch;
        });

        return $copy === null ? $answer : $answer->setData([...$answer->getData(true), 'tub' => $copy]);
    }

    /** How many alike a tub stands for: the garden in the body, `?tub=` and `&count=`. */
    public function count(Request $request, Planner $planner): JsonResponse
    {
        $asked = RequestInput::query($request, ['count' => ['bail', 'required', 'string', Rule::in(range(1, Tub::MOST_ALIKE))]]);

        return $this->onTub(
            $request,
            static fn (Garden $garden, Tub $tub): array => $planner->bench($garden)->count($tub, (int) $asked['count']),
        );
    }

    /** What a new tub starts with: `{"vessel": key or whole, "system": … or null, "crop": key or null}` in. */
    public function advise(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'system' => ['bail', 'nullable', 'string', Rule::enum(GrowingSystem::class)],
            'crop' => ['nullable', 'string', 'max:'.self::NAME_LENGTH],
        ]);
        $system = GrowingSystem::tryFrom($body->system ?? '');
        $given = RequestInput::thing($body->vessel ?? null, '/vessel');
        $tub = $this->alone($given, 'net-cup-50', $body->crop ?? ($system === null ? null : NewTubAdvice::crop($system)));
        $vessel = $tub->body->vessel;
        $crop = $tub->planting->crops[0]->crop ?? null;
        $system ??= NewTubAdvice::system($vessel);

        return new JsonResponse([
            'system' => $system->value,
            'crop' => $crop?->key,
            'cup' => NewTubAdvice::cup($vessel, $system, $crop, $this->library),
        ]);
    }

    /** @param  callable(Garden, Tub): list<stdClass>  $edit */
    private function onTub(Request $request, callable $edit): JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $tub = $garden->tub(RequestInput::word($request, 'tub'));

        return $tub === null
            ? new JsonResponse(['message' => 'No tub of this garden has that id.'], 404)
            : new JsonResponse(['patch' => GuardedPatch::of($garden->document, $edit($garden, $tub))]);
    }

    /** One's own thing whole, as a garden holds it so that its file stands alone; a shipped one by its key. */
    private function inPlace(LibraryKind $kind, string|stdClass $given): string|stdClass
    {
        $own = is_string($given) ? ($this->own->documents($kind)[$given] ?? null) : null;

        return $own === null ? $given : (object) ['key' => $given, ...get_object_vars($own)];
    }

    private function ownCrop(?string $key): ?stdClass
    {
        return $key === null ? null : ($this->own->documents(LibraryKind::Crops)[$key] ?? null);
    }

    /**
     * A tub in a garden of its own, to see whether a garden would take it.
     *
     * @param  array<string, mixed>  $more
     *
     * @throws RefusedGarden
     */
    private function alone(string|stdClass $vessel, string|stdClass $cup, ?string $crop, array $more = []): Tub
    {
        $own = $this->ownCrop($crop);

        return $this->reader->fromDocument((object) [
            'format' => GardenFile::FORMAT,
            'version' => GardenFile::VERSION,
            'tubs' => [(object) [
                'id' => 'new',
                'system' => GrowingSystem::Passive->value,
                'vessel' => $this->inPlace(LibraryKind::Vessels, $vessel),
                'cup' => $this->inPlace(LibraryKind::Cups, $cup),
                'crop' => $crop,
                ...$more,
            ]],
            'library' => (object) ['crops' => (object) ($own === null ? [] : [$crop => $own])],
        ])->tubs[0];
    }
}
