<?php

declare(strict_types=1);

namespace App\Gardens;

use Illuminate\Database\Connectors\MariaDbConnector;
use Throwable;

/** Connects once: a database that hangs is waited for no second time by one who is waiting already. The page asks again by itself. */
final class OneTry extends MariaDbConnector
{
    /** @param  array<array-key, mixed>  $options */
    protected function tryAgainIfCausedByLostConnection(Throwable $e, $dsn, $username, $password, $options): never
    {
        throw $e;
    }
}
