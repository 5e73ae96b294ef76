<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Growers\Acting;
use App\Http\RequestInput;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;

/** Answers growers only. Whoever wants a page is asked to sign in, and comes to that page then. */
final readonly class MustBeKnown
{
    public const SAYS = 'You are signed out here. Sign in again in another window: your edits are kept on this page, and saved then.';

    public function __construct(private Acting $acting)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($this->acting->id() !== Acting::STRANGER) {
            return $next($request);
        }
        if (RequestInput::ofApi($request)) {
            return new JsonResponse(['message' => self::SAYS], 401);
        }
        $wanted = $request->getMethod() === 'GET' ? $request->getRequestUri() : '/';

        return Inertia::location('/sign-in'.($wanted === '/' ? '' : '?to='.rawurlencode($wanted)));
    }
}
