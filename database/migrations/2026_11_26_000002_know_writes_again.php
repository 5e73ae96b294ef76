<?php

declare(strict_types=1);

use App\Gardens\Tables;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What the page called a write: sent a second time, because the answer was lost, it is known again.
        Tables::column('gardens', 'write_key', static fn (Blueprint $table): mixed => $table->string('write_key', 64)->nullable());
        Tables::index('gardens', ['write_key'], unique: true);
        Tables::column('revisions', 'write_key', static fn (Blueprint $table): mixed => $table->string('write_key', 64)->nullable());
        Tables::index('revisions', ['garden_id', 'write_key'], unique: true);
        // A sum may be wider than twelve figures.
        Schema::table('gardens', static fn (Blueprint $table): mixed => $table->double('outlay')->change());
        // When old things were last tidied away.
        Tables::make('tidyings', function (Blueprint $table): void {
            $table->id();
            $table->timestamp('at', 6);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('tidyings');
        Schema::table('revisions', function (Blueprint $table): void {
            $table->dropUnique(['garden_id', 'write_key']);
            $table->dropColumn('write_key');
        });
        Schema::table('gardens', function (Blueprint $table): void {
            $table->dropUnique(['write_key']);
            $table->dropColumn('write_key');
        });
    }
};
