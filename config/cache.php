<?php

declare(strict_types=1);

return [
    'default' => 'array',
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        // Layouts that took long to find; a test run has its own and forgets it.
        'spreads' => env('APP_ENV') === 'testing'
            ? ['driver' => 'array', 'serialize' => true]
            : ['driver' => 'file', 'path' => storage_path('framework/cache/spreads')],
    ],
    'prefix' => '',
];
