<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\File\Library;
use KelpTub\Core\WhatIf\CupFits;

/** Which cups fit a hole that is there already: `{"hole_mm": 64}` in; the Library's cups and one's own. */
final readonly class CupsController
{
    public function __construct(private Library $library, private OwnLibrary $own)
    {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, ['hole_mm' => ['bail', 'required', 'numeric', 'gt:0', 'max:3000']]);

        return new JsonResponse(
            ['cups' => CupFits::of(
                $this->library->cups->documents() + $this->own->documents(LibraryKind::Cups),
                (float) $body->hole_mm,
            )],
        );
    }
}
