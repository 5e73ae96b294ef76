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

    /** Within a transaction it is of one moment already. */
    public static function begin(): void
    {
        if (DB::transactionLevel() > 0) {
            return;
        }
        // The database's own way to isolate, repeatable reads, keeps the first look.
        DB::unprepared('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    }

    public static function end(): void
    {
        if (DB::transactionLevel() === 0) {
            DB::unprepared('ROLLBACK');
        }
    }
}
