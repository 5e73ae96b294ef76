<?php

declare(strict_types=1);

return [
    'name' => 'Kelp Tub',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8000'),
    // The names that it may be asked for by; one who puts a server of their own in front adds theirs.
    'hosts' => ['127.0.0.1', 'localhost', '[::1]', ...array_filter(explode(',', strtolower((string) env('KELP_HOSTS', ''))))],
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
];
