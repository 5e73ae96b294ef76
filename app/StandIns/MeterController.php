<?php

declare(strict_types=1);

namespace App\StandIns;

use App\Http\GrowersClock;
use App\Http\RequestInput;
use App\Logs\EntryStore;
use App\Models\Garden;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;

/**
 * A stand-in for a meter on the house network: it shows what the forecast says of a planted tub, with a probe's own faults. What a meter
 * wrote is not looked at for that: it would follow itself. GET ?probe=drifting&garden=ID&tub=ID&copy=1&at=2027-04-18T07:40, and in a
 * fluid for calibration &ph=7.01 or &ec=1.413 in place of the tub.
 */
final readonly class MeterController
{
    public function __construct(
        private GardenReader $reader,
        #[Give('planner.forecast')] private Planner $planner,
        private EntryStore $entries,
    ) {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $asked = RequestInput::query($request, [
            'probe' => ['required', 'in:'.implode(',', SimulatedProbe::NAMES)],
            'garden' => ['required', 'string', 'max:26'],
            'tub' => ['required', 'string', 'max:120'],
            'copy' => ['integer', 'min:1', 'max:50'],
            'at' => ['required', 'string', 'max:20'],
            'ph' => ['numeric', 'min:0', 'max:14'],
            'ec' => ['numeric', 'min:0', 'max:14'],
        ]);
        $time = GrowersClock::time($asked['at']);
        $probe = new SimulatedProbe($asked['probe']);
        $in = array_filter(['ph' => $asked['ph'] ?? null, 'ec_ms_cm' => $asked['ec'] ?? null], static fn (mixed $v): bool => $v !== null);
        [$water, $since] = $this->water($asked['garden'], $asked['tub'], (int) ($asked['copy'] ?? 1), $time);
        if ($probe->isSilent($time) || $water === null) {
            return new JsonResponse(['message' => $water === null ? 'It stands in no water.' : 'It does not answer.'], 503);
        }

        return new JsonResponse([
            'probe' => $asked['probe'],
            'at' => $asked['at'],
            ...$probe->shows($in === [] ? $water : array_map(floatval(...), $in), $time, $since),
        ], options: JSON_PRESERVE_ZERO_FRACTION);
    }

    /** @return array{array<string, float|null>|null, float} the tub's water at a moment, and since when it stands there */
    private function water(string $id, string $tub, int $copy, float $time): array
    {
        // It stands in whosever tub it is put.
        $garden = Garden::query()->withoutGlobalScope('owner')->find($id);
        $read = $garden === null ? null : $this->reader->read($garden->document);
        $of = $read?->tub($tub);
        if ($garden === null || $read === null || $of === null) {
            return [null, $time];
        }
        $written = $this->entries->entries($garden, $tub, $copy)->all;
        $byHand = Entries::of(array_values(array_filter($written, static fn (Entry $e): bool => $e->from !== 'meter')));
        $diary = (new Diary($this->planner, $read, $byHand, $time))->copy($of, $copy);
        $state = $diary->state();
        $day = $diary->dayOf($diary->forecast(), $diary->today());

        return $state === null || $day === null ? [null, $time] : [[
            'level_mm' => $day->tub()->reservoir->levelFor($state->volume),
            'ec_ms_cm' => $state->ec(),
            'ph' => $state->ph,
            'water_c' => $state->water,
        ], (float) $diary->forecast()[0]->start];
    }
}
