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
        // A run holds its design as it was: it outlives the garden that it came from.
        Tables::make('dry_runs', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->ulid('owner_id')->nullable();
            $table->ulid('garden_id')->nullable();
            $table->string('tub', 120);
            $table->string('name', 250);
            $table->string('lesson', 60)->nullable();
            $table->unsignedInteger('seed');
            $table->unsignedSmallInteger('day');
            $table->boolean('is_over')->default(false);
            $table->unsignedInteger('revision');
            $table->longText('document');
            $table->longText('decisions');
            $table->timestamps(6);
        });
        Tables::index('dry_runs', ['garden_id', 'updated_at']);
        Tables::index('dry_runs', ['updated_at']);
    }

    public function down(): void
    {
        Schema::dropIfExists('dry_runs');
    }
};
