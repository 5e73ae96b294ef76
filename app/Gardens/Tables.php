<?php

declare(strict_types=1);

namespace App\Gardens;

use Closure;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Changes of tables that can be repeated: MariaDB keeps each statement at once, so a migration that was broken off half way finds a part of
 * its work done when it is run again.
 */
final class Tables
{
    /** @param  Closure(Blueprint): void  $columns  without indexes: each of those is a statement of its own */
    public static function make(string $table, Closure $columns): void
    {
        if (! Schema::hasTable($table)) {
            Schema::create($table, $columns);
        }
    }

    /** @param  Closure(Blueprint): mixed  $add */
    public static function column(string $table, string $column, Closure $add): void
    {
        if (! Schema::hasColumn($table, $column)) {
            Schema::table($table, static function (Blueprint $blueprint) use ($add): void {
                $add($blueprint);
            });
        }
    }

    /** @param  list<string>  $columns */
    public static function index(string $table, array $columns, bool $unique = false): void
    {
        if (! Schema::hasIndex($table, $columns, $unique ? 'unique' : null)) {
            Schema::table($table, static function (Blueprint $blueprint) use ($columns, $unique): void {
                $unique ? $blueprint->unique($columns) : $blueprint->index($columns);
            });
        }
    }

    /** @param  list<string>  $columns */
    public static function noIndex(string $table, array $columns): void
    {
        foreach (Schema::getIndexes($table) as $index) {
            if ($index['columns'] === $columns) {
                Schema::table($table, static fn (Blueprint $blueprint): mixed => $blueprint->dropIndex($index['name']));
            }
        }
    }

    public static function belongs(string $table, string $column, string $to): void
    {
        if (! in_array([$column], array_column(Schema::getForeignKeys($table), 'columns'), true)) {
            Schema::table($table, static function (Blueprint $blueprint) use ($column, $to): void {
                $blueprint->foreign($column)->references('id')->on($to)->cascadeOnDelete();
            });
        }
    }
}
