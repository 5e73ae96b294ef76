<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\LazilyRefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use RuntimeException;

/** Feature tests: Laravel with the real MariaDB, in a database that is for tests only. */
abstract class TestCase extends LaravelTestCase
{
    use LazilyRefreshDatabase;

    protected function beforeRefreshingDatabase(): void
    {
        $name = config('database.connections.mariadb.database');
        if (! is_string($name) || ! str_ends_with($name, '_test')) {
            throw new RuntimeException("Tests run in a database whose name ends in _test, not in $name. Start them with bin/test.");
        }
    }
}
