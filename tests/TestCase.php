<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\LazilyRefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Support\Facades\File;
use RuntimeException;

/** Feature tests: Laravel with the real MariaDB, in a database that is for tests only. */
abstract class TestCase extends LaravelTestCase
{
    use LazilyRefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        // Photographs of a test are gone after it.
        config(['kelp.photos' => sys_get_temp_dir().'/kelp-photos-'.getmypid()]);
        File::deleteDirectory((string) config('kelp.photos'));
        $this->beforeApplicationDestroyed(static fn () => File::deleteDirectory((string) config('kelp.photos')));
    }

    protected function beforeRefreshingDatabase(): void
    {
        $name = config('database.connections.mariadb.database');
        // Laravel gives tests that run side by side a database each: kelp_test_test_1.
        if (! is_string($name) || preg_match('/_test(_\d+)?$/', $name) !== 1) {
            throw new RuntimeException("Tests run in a database whose name ends in _test, not in $name. Start them with bin/test.");
        }
    }
}
