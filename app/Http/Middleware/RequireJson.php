<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets only JSON change things, and takes nothing for JSON that does not say exactly so. */
final class RequireJson
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $type = strtolower((string) $request->headers->get('Content-Type'));

        return $request->isMethodSafe() || preg_match('#^application/json(?:\s*;\s*charset="?utf-8"?)?\s*$#D', $type) === 1
            ? $next($request)
            : new JsonResponse(['message' => 'Send JSON, with the header Content-Type: application/json.'], 415);
    }
}
