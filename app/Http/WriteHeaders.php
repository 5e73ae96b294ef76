<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** What a write says of itself in its headers, read strictly. */
final class WriteHeaders
{
    /** The revision that it was made against. */
    public static function revision(Request $request): int
    {
        $given = $request->headers->get('If-Match');
        if ($given === null) {
            throw new HttpException(428, 'Say which revision this was made against, with the header If-Match: "7".');
        }
        if (preg_match('/^(?:"(\d{1,9})"|(\d{1,9}))$/D', $given, $m) !== 1) {
            throw new HttpException(400, 'The header If-Match is not a revision; it reads "7".');
        }

        return (int) ($m[2] ?? $m[1]);
    }

    /** What the one who writes calls it, to know it again; null where it has no name. */
    public static function key(Request $request): ?string
    {
        $key = $request->headers->get('Idempotency-Key');
        if ($key !== null && preg_match('/^[A-Za-z0-9_-]{8,64}$/D', $key) !== 1) {
            throw new HttpException(400, 'The header Idempotency-Key has 8 to 64 letters, digits, - or _.');
        }

        return $key;
    }

    /**
     * What writes before it were called that nobody answered.
     *
     * @return list<string>
     */
    public static function follows(Request $request): array
    {
        $given = (string) $request->headers->get('Follows-Writes');
        if (preg_match('/^(?:[A-Za-z0-9_-]{8,64}(?: |$)){0,20}$/D', $given) !== 1) {
            throw new HttpException(400, 'The header Follows-Writes has up to 20 keys of writes, with a space between them.');
        }

        return $given === '' ? [] : explode(' ', $given);
    }
}
