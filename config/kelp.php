<?php

declare(strict_types=1);

return [
    // Whether whoever comes is asked who they are: on the house network, never on loopback alone (bin/start).
    'asks_who' => (bool) env('KELP_ASKS_WHO', false),

    // Whose gardens are seen where nobody is asked: the first grower's, once there is one.
    'grower' => (string) env('KELP_GROWER', ''),

    // Where the house network finds it: what links and QR pictures are made of.
    'addresses' => array_values(array_filter(explode(' ', (string) env('KELP_ADDRESSES', '')))),

    // The forecast service: a stand-in that ships with the product, unless another one is named.
    'weather' => env('KELP_WEATHER') ?: rtrim((string) env('APP_URL', 'http://127.0.0.1:8000'), '/').'/stand-ins/weather',

    // The supplier whose prices can be fetched: a stand-in too.
    'supplier' => env('KELP_SUPPLIER') ?: rtrim((string) env('APP_URL', 'http://127.0.0.1:8000'), '/').'/stand-ins/supplier',

    // The meters on the house network: a stand-in as well.
    'meter' => env('KELP_METER') ?: rtrim((string) env('APP_URL', 'http://127.0.0.1:8000'), '/').'/stand-ins/meter',

    // Where photographs are kept: beside the database.
    'photos' => env('KELP_PHOTOS') ?: storage_path('photos'),
];
