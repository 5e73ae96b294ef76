<?php

declare(strict_types=1);

// One MariaDB server, private to this checkout and on loopback; bin/start and bin/test say where it listens.

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '3307'),
            'database' => env('DB_DATABASE', 'kelp'),
            'username' => env('DB_USERNAME', 'kelp'),
            'password' => env('DB_PASSWORD', ''),
            'unix_socket' => env('DB_SOCKET', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'strict' => true,
            'engine' => 'InnoDB',
            // One that does not answer is taken for away soon: nobody waits for it longer (bin/lib/web.sh says how long a server reads).
            'options' => [PDO::ATTR_TIMEOUT => 2],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
