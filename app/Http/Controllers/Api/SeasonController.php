<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Weather\ForecastService;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use InvalidArgumentException;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Season\SeasonEvent;
use KelpTub\Core\WhatIf\EcCorrection;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonRuns;
use KelpTub\Core\WhatIf\SeasonYears;
use stdClass;

/** How a tub's water stands through the season, and what to do where it reads otherwise. */
final readonly class SeasonController
{
    public function __construct(
        private GardenReader $reader,
        #[Give('planner.forecast')] private Planner $planner,
        private ForecastService $forecasts,
        private Planner $made,
    ) {
    }

    /**
     * Seasons of one tub: `{"garden", "tub", "runs": [{"policy": {"top_ups": "quarter"}, "what_ifs": ["heat@20x3+8"]}]}` in, up to four
     * runs, in each of which somebody may be away: `"leave": {"day", "days"}`; each with its days, the band of its figures and what it
     * comes to. With `"seeds": 20` the first of them in so many years of weather besides: made ones, for which nobody has a forecast.
     */
    public function runs(Request $request): Response
    {
        $body = RequestInput::body($request, [
            'tub' => ['required', 'string', 'max:120'],
            'seeds' => ['integer', 'min:1', 'max:'.SeasonYears::MOST],
            'runs' => ['array', 'min:1', 'max:'.SeasonRuns::MOST],
            'runs.*.policy' => ['array', 'max:20'],
            'runs.*.policy.*' => ['string', 'max:40'],
            'runs.*.what_ifs' => ['array', 'max:'.SeasonEvent::MOST],
            'runs.*.what_ifs.*' => ['string', 'max:60'],
            'runs.*.leave' => ['nullable', 'array'],
            'runs.*.leave.day' => ['required_with:runs.*.leave', 'integer', 'min:0', 'max:730'],
            'runs.*.leave.days' => ['required_with:runs.*.leave', 'integer', 'min:1', 'max:730'],
        ]);
        $garden = $this->reader->fromDocument(RequestInput::object($body->garden ?? null, '/garden'));
        $tub = $garden->tub($body->tub) ?? throw RefusedGarden::one('/tub', "is \"$body->tub\", and no tub of this garden has that id");
        $asks = [];
        foreach (array_values((array) ($body->runs ?? [new stdClass])) as $i => $run) {
            $run = RequestInput::object($run, "/runs/$i");
            $asks[] = new SeasonAsk(
                (array) ($run->policy ?? []),
                array_values((array) ($run->what_ifs ?? [])),
                isset($run->leave) ? [(int) $run->leave->day, (int) $run->leave->days] : null,
            );
        }
        try {
            $runs = (new SeasonRuns($this->planner, $this->planner->aids->library))->of($garden, $tub, $asks);
            $years = ! isset($body->seeds) ? null
                : (new SeasonYears($this->made, $this->made->aids->library))->of($garden, $tub, $asks[0], (int) $body->seeds);
        } catch (InvalidArgumentException $refused) {
            throw RefusedGarden::one('/runs', $refused->getMessage());
        }

        $forecast = (object) ['from' => $this->forecasts->from, 'age_h' => $this->forecasts->ageHours];
        $answer = (object) ['runs' => $runs, 'forecast' => $forecast, ...(isset($body->seeds) ? ['years' => $years] : [])];

        return new Response(GardenFile::encode($answer), headers: ['Content-Type' => 'application/json']);
    }

    /** What to do about a reading: `{"garden", "tub", "now_ms_cm", "wanted_ms_cm", "litres", "day"}`. */
    public function correct(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'tub' => ['required', 'string', 'max:120'],
            'now_ms_cm' => ['required', 'numeric'],
            'wanted_ms_cm' => ['required', 'numeric'],
            'litres' => ['nullable', 'numeric'],
            'day' => ['nullable', 'integer', 'min:0', 'max:10000'],
        ]);
        $garden = $this->reader->fromDocument(RequestInput::object($body->garden ?? null, '/garden'));
        $tub = $garden->tub($body->tub) ?? throw RefusedGarden::one('/tub', "is \"$body->tub\", and no tub of this garden has that id");
        try {
            return new JsonResponse((new EcCorrection($this->planner))->of(
                $garden,
                $tub,
                (float) $body->now_ms_cm,
                (float) $body->wanted_ms_cm,
                isset($body->litres) ? (float) $body->litres : null,
                isset($body->day) ? (int) $body->day : null,
            ));
        } catch (InvalidArgumentException $refused) {
            throw RefusedGarden::one('/now_ms_cm', $refused->getMessage());
        }
    }
}
