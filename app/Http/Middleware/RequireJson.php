<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets only JSON change things: a form on another site cannot send it without being asked first. */
final class RequireJson
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return $request->isMethodSafe() || $request->isJson()
            ? $next($request)
            : new JsonResponse(['message' => 'Send JSON, with the header Content-Type: application/json.'], 415);
    }
}
