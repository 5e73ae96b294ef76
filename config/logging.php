<?php

declare(strict_types=1);

// A file a day, a fortnight of them; a log that cannot be written stops nobody.

return [
    'default' => 'stack',
    'channels' => [
        'stack' => ['driver' => 'stack', 'channels' => ['daily'], 'ignore_exceptions' => true],
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/kelp-tub.log'), 'level' => 'warning', 'days' => 14, 'permission' => 0600],
    ],
];
