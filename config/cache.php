<?php

declare(strict_types=1);

return [
    'default' => 'array',
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        // What was found out about lids; a test run has its own and forgets it.
        'layouts' => env('APP_ENV') === 'testing'
            ? ['driver' => 'array', 'serialize' => true]
            : ['driver' => 'file', 'path' => storage_path('framework/cache/layouts')],
        // What was worked out of tubs, as long as the server runs.
        'tubs' => env('APP_ENV') === 'testing' ? ['driver' => 'array', 'serialize' => true] : ['driver' => 'apc'],
        // The last good forecasts of the weather.
        'weather' => env('APP_ENV') === 'testing'
            ? ['driver' => 'array', 'serialize' => true]
            : ['driver' => 'file', 'path' => storage_path('framework/cache/weather')],
    ],
    'prefix' => '',
];
