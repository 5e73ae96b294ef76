<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Growers\Acting;
use App\Models\Grower;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Middleware\StartSession;
use Symfony\Component\HttpFoundation\Response;

/**
 * Says for whom a request is answered. On loopback that is whoever sits at the machine, and nobody is asked; on the house network it is
 * the grower of the session.
 */
final readonly class WhoAsks
{
    private const SESSION = [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class];

    public function __construct(private Container $app, private Acting $acting)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (config('kelp.asks_who') !== true) {
            $this->acting->as((string) config('kelp.grower'));

            return $next($request);
        }

        return (new Pipeline($this->app))->send($request)->through(self::SESSION)->then(function (Request $request) use ($next): Response {
            $this->acting->as(Grower::signedIn()->id ?? Acting::STRANGER);

            return $next($request);
        });
    }
}
