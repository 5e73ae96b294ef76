<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\GrowersClock;
use App\Http\RequestInput;
use App\Meters\MeterReadings;
use App\Meters\MeterService;
use App\Models\Garden;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Log\Calibration;
use KelpTub\Core\Log\Meter;
use stdClass;

/** A meter in a tub: asked now, held into a fluid, and judged by two of them. */
final readonly class MeterController
{
    private const PLACE = [
        'tub' => ['required', 'string', 'max:120'],
        'copy' => ['integer', 'min:1', 'max:50'],
        'now' => ['required', 'string', 'max:20'],
    ];

    public function __construct(private GardenReader $reader, private MeterReadings $readings, private MeterService $service)
    {
    }

    /** Asks it, and keeps what it shows: `entry`, or `away` with why there is none. */
    public function ask(Request $request, Garden $garden): JsonResponse
    {
        $asked = RequestInput::body($request, self::PLACE);
        GrowersClock::time($asked->now);
        $entry = $this->readings->take($garden, $this->meter($garden, $asked), $asked->now);

        return new JsonResponse(is_string($entry) ? ['entry' => null, 'away' => $entry] : ['entry' => $entry, 'away' => null]);
    }

    /** What it shows in a fluid of a known `ph` or `ec`, as it shows it; nothing is kept. */
    public function hold(Request $request, Garden $garden): JsonResponse
    {
        $asked = RequestInput::body($request, [
            ...self::PLACE,
            'ph' => ['required_without:ec', 'numeric', 'min:0', 'max:14'],
            'ec' => ['required_without:ph', 'numeric', 'min:0', 'max:14'],
        ]);
        GrowersClock::time($asked->now);
        [$what, $in] = isset($asked->ph) ? ['ph', ['ph' => (float) $asked->ph]] : ['ec_ms_cm', ['ec' => (float) $asked->ec]];
        $shown = $this->service->shows($garden->id, $this->meter($garden, $asked), $asked->now, $in);
        $value = is_string($shown) ? null : $shown[$what] ?? null;
        $away = match (true) {
            is_string($shown) => $shown,
            $value === null => 'The meter does not read that. Look whether that probe is plugged in.',
            default => null,
        };

        return new JsonResponse(['shown' => $value, 'away' => $away], options: JSON_PRESERVE_ZERO_FRACTION);
    }

    /** What two fluids say of a probe: `what` is `ph` or `ec`, with `low`, `low_shown`, `high`, `high_shown`. */
    public function judge(Request $request): JsonResponse
    {
        $number = ['required', 'numeric', 'min:-2', 'max:20'];
        $asked = RequestInput::body($request, [
            'what' => ['required', 'in:ph,ec'],
            'low' => $number,
            'low_shown' => $number,
            'high' => $number,
            'high_shown' => $number,
        ]);
        $of = Calibration::of($asked->what, $asked);
        if (is_array($of)) {
            throw RefusedGarden::one('/'.array_key_first($of), (string) reset($of));
        }

        return new JsonResponse(['slope' => $of->slope(), 'word' => $of->word(), 'says' => $of->says()]);
    }

    /** Of the garden as it is kept, or as `garden` in the body has it. */
    private function meter(Garden $garden, stdClass $asked): Meter
    {
        $document = isset($asked->garden)
            ? $this->reader->fromDocument(RequestInput::object($asked->garden, '/garden'))->document
            : GardenFile::decode($garden->document);
        $copy = (int) ($asked->copy ?? 1);

        return MeterReadings::meter($document, $asked->tub, $copy)
            ?? throw RefusedGarden::one('/tub', "is \"$asked->tub\", $copy, and no meter stands in it");
    }
}
