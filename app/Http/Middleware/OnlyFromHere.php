<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\FromHere;
use App\Http\RequestInput;
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
    private const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE'];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $host = strtolower((string) $request->headers->get('Host'));
        $claims = $request->headers->has('X-HTTP-Method-Override') || $request->query->has('_method');

        return match (true) {
            ! FromHere::isOurs($host, array_values((array) config('app.hosts'))) => self::refused(
                421,
                'Kelp Tub is not served under that name. Use http://127.0.0.1 with its port.',
            ),
            ! in_array($request->getRealMethod(), self::METHODS, true) => self::refused(405, 'Send GET, HEAD, POST, PUT or DELETE.'),
            $claims || $request->getRealMethod() !== $request->getMethod() => self::refused(
                400,
                'A request is what it says it is: send the method itself.',
            ),
            self::isForeign($request, $host) && ! self::follows($request) => self::refused(
                403,
                'That came from another site\'s page. Only Kelp Tub\'s own pages may ask this.',
            ),
            default => $next($request),
        };
    }

    private static function isForeign(Request $request, string $host): bool
    {
        return FromHere::isForeign($host, (string) $request->headers->get('Origin'), (string) $request->headers->get('Sec-Fetch-Site'));
    }

    /** A link to a page that was followed, wherever it stood. */
    private static function follows(Request $request): bool
    {
        return $request->isMethod('GET') && ! RequestInput::ofApi($request)
            && $request->headers->get('Sec-Fetch-Mode', 'navigate') === 'navigate';
    }

    private static function refused(int $status, string $message): Response
    {
        return new JsonResponse(['message' => $message], $status);
    }
}
