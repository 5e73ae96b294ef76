<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Http\Request;
use Illuminate\Http\Response;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;

/** Garden in, report out; nothing is kept and no database is asked. */
final readonly class PreviewController
{
    public function __construct(private GardenReader $reader, private Planner $planner)
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
