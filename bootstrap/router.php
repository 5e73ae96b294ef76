<?php

declare(strict_types=1);

// For PHP's own web server: files in public/ as they are, everything else through the application.

$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));

if ($path !== '/' && is_file(dirname(__DIR__).'/public'.$path)) {
    return false;
}

require dirname(__DIR__).'/public/index.php';
