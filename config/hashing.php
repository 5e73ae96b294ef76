<?php

declare(strict_types=1);

return [
    'driver' => 'argon2id',
    // A little more than OWASP's least for argon2id (19 MiB, two passes); tests do without.
    'argon' => env('APP_ENV') === 'testing'
        ? ['memory' => 1024, 'threads' => 1, 'time' => 1, 'verify' => true]
        : ['memory' => 19456, 'threads' => 1, 'time' => 3, 'verify' => true],
    'rehash_on_login' => true,
];
