<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\WaysWanted;

/** Garden in, report out; nothing is kept and no database is asked. */
final readonly class ReportController
{
    public function __construct(private GardenReader $reader)
    {
    }

    /** At once, with the layouts that are known; ways out of findings are listed, not tried. */
    public function preview(Request $request, Planner $quick): Response
    {
        return self::json($quick->preview($this->reader->read($request->getContent())));
    }

    /**
     * Layouts that take longer are found, and remedies tried: `?tub=` says whose come first, `ways=` of how many findings at each mark of
     * that tub and of those on its pump, and `mark=` at which mark all. What there is not time for, and what is not asked for, stays
     * pending: layouts are remembered, so that the next request gets further.
     */
    public function plan(Request $request, #[Give('planner.final')] Planner $final): Response
    {
        $asked = RequestInput::query($request, [
            'tub' => ['string', 'max:200'],
            'ways' => ['integer', 'min:0', 'max:1000'],
            'mark' => ['string', 'max:20'],
        ]);
        $garden = $this->reader->read($request->getContent());
        $tub = $asked['tub'] ?? null;
        $wanted = new WaysWanted(
            $tub,
            (int) ($asked['ways'] ?? PHP_INT_MAX),
            $asked['mark'] ?? '',
            // Who says of how many findings means that tub, and what starves on its pump.
            isset($asked['ways'], $tub) ? $garden->of(AirSystems::class)->together($tub) : null,
        );

        return self::json(GardenFile::encode($final->report($garden, $wanted)));
    }

    private static function json(string $text): Response
    {
        return new Response($text, headers: ['Content-Type' => 'application/json']);
    }
}
