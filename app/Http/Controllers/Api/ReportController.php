<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\Asked;
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

    /**
     * Layouts that take longer are found, and remedies tried; `?tub=` says whose come first. What there is not time for stays pending:
     * layouts are remembered, so that the next request gets further.
     */
    public function plan(Request $request): Response
    {
        return $this->answer($request, $this->final);
    }

    private function answer(Request $request, Planner $planner): Response
    {
        $tub = Asked::word($request, 'tub');

        return new Response(
            GardenFile::encode($planner->report($this->reader->read($request->getContent()), $tub === '' ? null : $tub)),
            headers: ['Content-Type' => 'application/json'],
        );
    }
}
