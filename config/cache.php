<?php

declare(strict_types=1);

return [
    'default' => 'array',
    'stores' => [
        // Who tried to sign in too often.
        'tries' => env('APP_ENV') === 'testing' ? ['driver' => 'array', 'serialize' => true] : ['driver' => 'apc', 'events' => false],
        'array' => ['driver' => 'array', 'serialize' => false],
        // What was found out about lids; a test run has its own and forgets it. Asked often, and nobody listens: no events.
        'layouts' => env('APP_ENV') === 'testing'
            ? ['driver' => 'array', 'serialize' => true]
            : ['driver' => 'file', 'path' => storage_path('framework/cache/layouts'), 'events' => false],
        // What was worked out of tubs, as long as the server runs; the same.
        'tubs' => env('APP_ENV') === 'testing' ? ['driver' => 'array', 'serialize' => true] : ['driver' => 'apc', 'events' => false],
        // The last good forecasts of the weather.
        'weather' => env('APP_ENV') === 'testing'
            ? ['driver' => 'array', 'serialize' => true]
            : ['driver' => 'file', 'path' => storage_path('framework/cache/weather')],
    ],
    'prefix' => '',
];
