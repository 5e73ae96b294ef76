<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Logs\Photos;
use App\Models\Garden;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Photographs of a log: taken as they come from a camera, handed out as they are kept. */
final readonly class PhotoController
{
    private const TYPES = ['image/jpeg', 'image/png', 'image/webp'];

    public function __construct(private Photos $photos)
    {
    }

    /** `?id`: the bytes of a picture are the body; the same id sent twice is kept once. */
    public function store(Request $request, Garden $garden): JsonResponse
    {
        if (! in_array(strtolower((string) $request->headers->get('Content-Type')), self::TYPES, true)) {
            return new JsonResponse(['message' => 'Send a photograph, with the header Content-Type: '.implode(', ', self::TYPES).'.'], 415);
        }
        set_time_limit(110);
        $isNew = $this->photos->put($garden->id, RequestInput::word($request, 'id'), $request->getContent());

        return new JsonResponse(['result' => $isNew ? 'kept' : 'known']);
    }

    /** `?small` for a list. */
    public function show(Request $request, Garden $garden, string $photo): BinaryFileResponse
    {
        $file = $this->photos->file($garden->id, $photo, $request->query->has('small'));
        abort_if($file === null, 404);

        return new BinaryFileResponse($file, headers: ['Content-Type' => 'image/jpeg']);
    }
}
