<?php

declare(strict_types=1);

namespace App\Gardens;

use Illuminate\Support\Facades\DB;

/** What is read here is of one moment, whoever writes meanwhile. */
final class OneMoment
{
    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     */
    public static function of(callable $read): mixed
    {
        self::begin();
        try {
            return $read();
        } finally {
            self::end();
        }
    }

    public static function begin(): void
    {
        DB::unprepared('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
        DB::unprepared('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    }

    public static function end(): void
    {
        DB::unprepared('ROLLBACK');
    }
}
