<?php

declare(strict_types=1);

namespace App\Exports;

/** Names of files that are safe on any system: small letters, figures and hyphens, never empty, never too long. */
final class FileNames
{
    private const MOST = 60;

    /**
     * `FileNames::of(['Foredeck tote', 'lid', 'a4'], 'pdf')` is `foredeck-tote-lid-a4.pdf`.
     *
     * @param  list<string>  $words
     */
    public static function of(array $words, string $ending): string
    {
        $plain = (string) preg_replace('/\p{M}/u', '', (string) \Normalizer::normalize(implode(' ', $words), \Normalizer::FORM_D));
        preg_match_all('/[a-z0-9]+/', mb_strtolower($plain), $found);
        $name = rtrim(mb_substr(implode('-', $found[0]), 0, self::MOST), '-');

        // Names that mean a device to some systems, whatever their ending.
        return (preg_match('/^(con|prn|aux|nul|com\d|lpt\d)$/', $name) || $name === '' ? trim("tub-$name", '-') : $name).".$ending";
    }
}
