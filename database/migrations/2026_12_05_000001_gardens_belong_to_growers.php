<?php

declare(strict_types=1);

use App\Gardens\Tables;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const OWNED = ['gardens', 'library_items'];

    public function up(): void
    {
        Tables::make('growers', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name', 60);
            $table->string('password', 255);
            $table->timestamps(6);
        });
        Tables::index('growers', ['name'], unique: true);

        // What lets somebody in once: never the code itself, only what tells it again.
        Tables::make('one_time_codes', function (Blueprint $table): void {
            $table->id();
            $table->char('hash', 64);
            $table->string('purpose', 16);
            $table->char('grower_id', 26)->nullable();
            $table->timestamp('expires_at', 6);
            $table->timestamp('used_at', 6)->nullable();
        });
        Tables::index('one_time_codes', ['hash'], unique: true);

        Tables::make('sessions', function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->char('user_id', 26)->nullable();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity');
        });
        Tables::index('sessions', ['user_id']);
        Tables::index('sessions', ['last_activity']);

        // Where a grower is signed in, by the name that they gave it.
        Tables::make('devices', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->char('grower_id', 26);
            $table->string('session_id');
            $table->string('name', 60);
            $table->timestamps(6);
        });
        Tables::index('devices', ['grower_id']);
        Tables::index('devices', ['session_id'], unique: true);

        // Empty: whoever sits at this machine. A number that may be missing could not be part of what is unique.
        foreach (self::OWNED as $of) {
            Tables::column($of, 'owner_id', static fn (Blueprint $table): mixed => $table->char('owner_id', 26)->default(''));
        }
        DB::table('dry_runs')->whereNull('owner_id')->update(['owner_id' => '']);
        Schema::table('dry_runs', static fn (Blueprint $table): mixed => $table->char('owner_id', 26)->default('')->change());
        Tables::index('gardens', ['owner_id', 'updated_at']);
        Tables::index('dry_runs', ['owner_id', 'updated_at']);

        // Two growers may have things of one key, and take in the same file.
        Tables::index('gardens', ['owner_id', 'write_key'], unique: true);
        Tables::index('library_items', ['owner_id', 'kind', 'key'], unique: true);
        Tables::noIndex('gardens', ['write_key']);
        Tables::noIndex('library_items', ['kind', 'key']);
    }

    public function down(): void
    {
        Tables::index('gardens', ['write_key'], unique: true);
        Tables::index('library_items', ['kind', 'key'], unique: true);
        Schema::table('library_items', static function (Blueprint $table): void {
            $table->dropUnique(['owner_id', 'kind', 'key']);
            $table->dropColumn('owner_id');
        });
        Schema::table('gardens', static function (Blueprint $table): void {
            $table->dropUnique(['owner_id', 'write_key']);
            $table->dropIndex(['owner_id', 'updated_at']);
            $table->dropColumn('owner_id');
        });
        Schema::table('dry_runs', static function (Blueprint $table): void {
            $table->dropIndex(['owner_id', 'updated_at']);
            $table->char('owner_id', 26)->nullable()->default(null)->change();
        });
        foreach (['devices', 'sessions', 'one_time_codes', 'growers'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
