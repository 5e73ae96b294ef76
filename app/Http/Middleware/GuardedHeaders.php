<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\FromHere;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** Tells the browser what a page of ours may do, which is little, and gives each request a name that the log shows too. */
final class GuardedHeaders
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $given = (string) $request->headers->get('X-Request-Id');
        $id = preg_match('/^[a-f0-9]{32}$/D', $given) === 1 ? $given : str_replace('-', '', (string) Str::uuid());
        Log::shareContext(['request' => $id]);
        $nonce = Vite::useCspNonce();
        $response = $next($request);
        $response->headers->add([
            'X-Request-Id' => $id,
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'Referrer-Policy' => 'no-referrer',
            'Cross-Origin-Resource-Policy' => 'same-origin',
            'Permissions-Policy' => 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), interest-cohort=()',
            'Content-Security-Policy' => implode('; ', [
                "default-src 'none'",
                "script-src 'self' 'nonce-$nonce'",
                "style-src 'self' 'nonce-$nonce'",
                "img-src 'self' data: blob:",
                "font-src 'self'",
                "connect-src 'self'",
                "form-action 'self'",
                "base-uri 'none'",
                "frame-ancestors 'none'",
            ]),
        ]);
        // Over plain HTTP from another machine a browser does not take it, and says so.
        if ($request->isSecure() || FromHere::isOurs((string) $request->headers->get('Host'))) {
            $response->headers->set('Cross-Origin-Opener-Policy', 'same-origin');
        }
        $response->headers->remove('X-Powered-By');
        // Gardens change: neither a page nor an answer is kept by anyone in between.
        $response->headers->set('Cache-Control', 'no-store, private');

        return $response;
    }
}
