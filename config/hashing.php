<?php

declare(strict_types=1);

return [
    'driver' => 'argon2id',
    'argon' => ['memory' => env('APP_ENV') === 'testing' ? 1024 : 65536, 'threads' => 1, 'time' => env('APP_ENV') === 'testing' ? 1 : 4, 'verify' => true],
    'rehash_on_login' => true,
];
