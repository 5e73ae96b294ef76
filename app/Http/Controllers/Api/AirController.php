<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use InvalidArgumentException;
use KelpTub\Core\Air\PumpCurve;
use KelpTub\Core\Air\Trouble;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\WhatIf\AirLook;
use KelpTub\Core\WhatIf\PumpRanking;
use stdClass;

/** A tub's air looked at closely, other pumps for it, and a pump of one's own from its box or from a bucket and a stopwatch. */
final readonly class AirController
{
    private const MOST_DAYS = 2000;

    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /** The garden in the body; `?tub=`, and `&day=`, `&trouble=`, `&battery_wh=`. */
    public function look(Request $request): JsonResponse
    {
        [$garden, $tub, $day] = $this->asked($request);
        $asked = RequestInput::query($request, [
            'trouble' => ['nullable', 'string', Rule::enum(Trouble::class)],
            'battery_wh' => ['nullable', 'string', 'numeric', 'min:0', 'max:100000'],
        ]);

        return new JsonResponse((new AirLook($this->planner))->of(
            $garden,
            $tub,
            $day,
            Trouble::tryFrom((string) ($asked['trouble'] ?? '')),
            (float) ($asked['battery_wh'] ?? 0),
        ));
    }

    /** The garden in the body; `?tub=`, and `&day=`. */
    public function pumps(Request $request, Library $library, OwnLibrary $own): JsonResponse
    {
        [$garden, $tub, $day] = $this->asked($request);

        return new JsonResponse(['pumps' => (new PumpRanking($this->planner, $library))->of(
            $garden,
            $tub,
            $day,
            $own->documents(LibraryKind::Pumps),
        )]);
    }

    /**
     * A curve: `{"way": "box", "free_flow_l_min", "max_pressure_kpa"}`, `{"way": "rated", "litres"}`, or `{"way": "bucket", "fills":
     * [{"litres", "seconds", "depth_mm"}], "max_pressure_kpa"}`.
     */
    public function curve(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'way' => ['bail', 'required', 'string', Rule::in(['box', 'rated', 'bucket'])],
            'free_flow_l_min' => ['required_if:way,box', 'nullable', 'numeric', 'max:10000'],
            'max_pressure_kpa' => ['nullable', 'numeric', 'max:1000'],
            'litres' => ['required_if:way,rated', 'nullable', 'numeric', 'max:100000'],
            'fills' => ['required_if:way,bucket', 'array', 'min:1', 'max:10'],
            'fills.*.litres' => ['required', 'numeric', 'max:1000'],
            'fills.*.seconds' => ['required', 'numeric', 'max:100000'],
            'fills.*.depth_mm' => ['required', 'numeric', 'max:3000'],
        ]);
        $pressure = isset($body->max_pressure_kpa) ? (float) $body->max_pressure_kpa : null;
        try {
            $curve = match ($body->way) {
                'box' => PumpCurve::box((float) $body->free_flow_l_min, $pressure),
                'rated' => PumpCurve::rated((float) $body->litres),
                default => PumpCurve::bucket(array_map(
                    static fn (stdClass $f): array => [(float) $f->litres, (float) $f->seconds, (float) $f->depth_mm],
                    array_values((array) $body->fills),
                ), $pressure),
            };
        } catch (InvalidArgumentException $refused) {
            throw RefusedGarden::one('/'.$body->way, $refused->getMessage());
        }

        return new JsonResponse(['curve' => $curve, 'free_flow_l_min' => $curve[1][0], 'max_pressure_kpa' => $curve[0][1]]);
    }

    /** @return array{Garden, Tub, int} */
    private function asked(Request $request): array
    {
        $garden = $this->reader->read($request->getContent());
        $id = RequestInput::word($request, 'tub');

        return [
            $garden,
            $garden->tub($id) ?? throw RefusedGarden::one('/tub', "is \"$id\", and no tub of this garden has that id"),
            max(0, min(self::MOST_DAYS, (int) RequestInput::word($request, 'day'))),
        ];
    }
}
