<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Container\Attributes\Give;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;

/** Garden in, report out; nothing is kept and no database is asked. */
final readonly class ReportController
{
    public function __construct(private GardenReader $reader, private Planner $quick, #[Give('planner.final')] private Planner $final)
    {
    }

    /** At once, with the layouts that are known. */
    public function preview(Request $request): Response
    {
        return $this->answer($request, $this->quick);
    }

    /** The final answer: layouts that take longer to find are found. */
    public function plan(Request $request): Response
    {
        return $this->answer($request, $this->final);
    }

    private function answer(Request $request, Planner $planner): Response
    {
        return new Response(
            GardenFile::encode($planner->report($this->reader->read($request->getContent()))),
            headers: ['Content-Type' => 'application/json'],
        );
    }
}
