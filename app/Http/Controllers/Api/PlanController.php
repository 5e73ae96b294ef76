<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Container\Attributes\Give;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;

/** Garden in, final report out: as a preview, but layouts that take longer to find are found. */
final readonly class PlanController
{
    public function __construct(private GardenReader $reader, #[Give('planner.final')] private Planner $planner)
    {
    }

    public function __invoke(Request $request): Response
    {
        return new Response(
            GardenReader::encode($this->planner->report($this->reader->read($request->getContent()))),
            headers: ['Content-Type' => 'application/json'],
        );
    }
}
