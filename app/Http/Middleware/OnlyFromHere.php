<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Asked;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Answers nobody else's pages: the address must be one of ours, and what another site's page sends is refused, whether it would change
 * something or only read from the API. A link from elsewhere to a page may be followed.
 */
final class OnlyFromHere
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $host = (string) $request->headers->get('Host');
        // Without the port: what is served elsewhere on this machine is told apart by the origin, port and all.
        $name = preg_replace('/:\d{1,5}$/D', '', strtolower($host));
        if (! in_array($name, (array) config('app.hosts'), true)) {
            return self::refused(421, 'Kelp Tub is not served under that name. Use http://127.0.0.1 with its port.');
        }
        if (! in_array($request->getRealMethod(), ['GET', 'HEAD', 'POST', 'PUT', 'DELETE'], true)) {
            return self::refused(405, 'That method is not known here.');
        }
        if ($request->getRealMethod() !== $request->getMethod() || $request->headers->has('X-HTTP-Method-Override') || $request->query->has('_method')) {
            return self::refused(400, 'A request is what it says it is: send the method itself.');
        }
        $origin = $request->headers->get('Origin');
        $site = $request->headers->get('Sec-Fetch-Site');
        $foreign = ($origin !== null && strtolower($origin) !== 'http://'.strtolower($host) && strtolower($origin) !== 'https://'.strtolower($host))
            || ($site !== null && ! in_array($site, ['same-origin', 'none'], true));
        $follows = $request->isMethod('GET') && ! Asked::ofApi($request) && $request->headers->get('Sec-Fetch-Mode', 'navigate') === 'navigate';

        return $foreign && ! $follows
            ? self::refused(403, 'That came from another site\'s page. Only Kelp Tub\'s own pages may ask this.')
            : $next($request);
    }

    private static function refused(int $status, string $message): Response
    {
        return new JsonResponse(['message' => $message], $status);
    }
}
