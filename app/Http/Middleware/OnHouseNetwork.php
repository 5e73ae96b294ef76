<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Signing in, growers and their devices are there on the house network only. */
final class OnHouseNetwork
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        abort_unless(config('kelp.asks_who') === true, 404);

        return $next($request);
    }
}
