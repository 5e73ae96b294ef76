<?php

declare(strict_types=1);

namespace App\Cli;

/** JSON as it is written for people and programs alike: numbers whole, text as it is. */
final class Json
{
    public static function pretty(mixed $value): string
    {
        return json_encode(
            $value,
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );
    }
}
