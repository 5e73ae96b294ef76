<?php

declare(strict_types=1);

namespace App\Http;

/**
 * Whether a request is one that our own pages, or a program of this machine, may make. It needs nothing but itself, so that the stand-ins
 * look at their requests the same way.
 */
final class FromHere
{
    public const NAMES = ['127.0.0.1', 'localhost', '[::1]'];

    /**
     * Whether the name that it was asked for by is one of ours; without the port, which the origin tells apart.
     *
     * @param  list<string>  $names
     */
    public static function isOurs(string $host, array $names = self::NAMES): bool
    {
        return in_array(preg_replace('/:\d{1,5}$/D', '', strtolower($host)), $names, true);
    }

    /** Whether another site's page sends it: by its origin, or by what the browser says of the site. Empty where it says nothing. */
    public static function isForeign(string $host, string $origin, string $site): bool
    {
        $host = strtolower($host);

        return ! in_array(strtolower($origin), ['', "http://$host", "https://$host"], true)
            || ! in_array($site, ['', 'same-origin', 'none'], true);
    }

    /** For a stand-in: answers and ends where it is not for it. */
    public static function orRefuse(): void
    {
        $said = static fn (string $name): string => is_string($_SERVER[$name] ?? null) ? $_SERVER[$name] : '';
        $status = match (true) {
            ! self::isOurs($said('HTTP_HOST')) => 421,
            self::isForeign($said('HTTP_HOST'), $said('HTTP_ORIGIN'), $said('HTTP_SEC_FETCH_SITE')) => 403,
            default => null,
        };
        if ($status !== null) {
            http_response_code($status);
            header('Content-Type: application/json');
            echo '{"message":"Only Kelp Tub itself asks this."}';
            exit;
        }
    }
}
