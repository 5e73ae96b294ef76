<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\Asked;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use InvalidArgumentException;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Season\WhatIf;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonRuns;
use stdClass;

/**
 * Seasons of one tub: `{"garden", "tub", "runs": [{"policy": {"top_ups": "quarter"}, "what_ifs": ["heat@20x3+8"]}]}` in, up to four runs;
 * each with its days, the band of its figures and what it comes to.
 */
final readonly class SeasonController
{
    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    public function __invoke(Request $request): Response
    {
        $body = Asked::body($request, [
            'tub' => ['required', 'string', 'max:120'],
            'runs' => ['array', 'min:1', 'max:'.SeasonRuns::MOST],
            'runs.*.policy' => ['array', 'max:20'],
            'runs.*.policy.*' => ['string', 'max:40'],
            'runs.*.what_ifs' => ['array', 'max:'.WhatIf::MOST],
            'runs.*.what_ifs.*' => ['string', 'max:60'],
        ]);
        $garden = $this->reader->fromDocument(Asked::object($body->garden ?? null, '/garden'));
        $tub = $garden->tub($body->tub) ?? throw RefusedGarden::one('/tub', "is \"$body->tub\", and no tub of this garden has that id");
        $asks = array_map(
            static fn (stdClass $run): SeasonAsk => new SeasonAsk((array) ($run->policy ?? []), array_values($run->what_ifs ?? [])),
            array_values($body->runs ?? [new stdClass]),
        );
        try {
            $runs = (new SeasonRuns($this->planner, $this->planner->aids->library))->of($garden, $tub, $asks);
        } catch (InvalidArgumentException $refused) {
            throw RefusedGarden::one('/runs', $refused->getMessage());
        }

        return new Response(GardenFile::encode((object) ['runs' => $runs]), headers: ['Content-Type' => 'application/json']);
    }
}
