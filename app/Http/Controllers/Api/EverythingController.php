<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Gardens\Everything;
use App\Gardens\OneMoment;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Everything as one file: handed out, and taken in. */
final readonly class EverythingController
{
    public function __construct(private Everything $everything)
    {
    }

    public function show(): StreamedResponse
    {
        // The first piece is made before anything is sent: a database that is away is said as such.
        OneMoment::begin();
        $pieces = (fn () => yield from $this->everything->written())();
        $pieces->current();

        return new StreamedResponse(static function () use ($pieces): void {
            for (; $pieces->valid(); $pieces->next()) {
                echo $pieces->current();
            }
            OneMoment::end();
        }, headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="kelp-tub-'.now()->format('Y-m-d').'.json"',
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        // One request that needs more than others: what it may be asked to read is bounded by its size.
        ini_set('memory_limit', '768M');
        set_time_limit(110);

        return new JsonResponse($this->everything->takeIn($request->getContent()), options: JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
