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
        // Laravel gives tests that run side by side a database each: kelp_test_test_1.
        if (! is_string($name) || preg_match('/_test(_\d+)?$/', $name) !== 1) {
            throw new RuntimeException("Tests run in a database whose name ends in _test, not in $name. Start them with bin/test.");
        }
    }
}
