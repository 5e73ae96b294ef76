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
        Tables::make('gardens', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->unsignedInteger('revision');
            // Kept as text, not as a JSON type: what was written comes back to the last point.
            $table->longText('document');
            // What the list of gardens shows and searches.
            $table->string('name', 120);
            $table->unsignedInteger('tubs');
            $table->unsignedInteger('plants');
            $table->string('worst', 4)->nullable();
            $table->decimal('outlay', 12, 2);
            $table->string('currency', 3);
            $table->timestamps(6);
            $table->softDeletes('deleted_at', 6);
        });
        Tables::index('gardens', ['name']);
        Tables::index('gardens', ['deleted_at']);

        Tables::make('revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('garden_id');
            $table->unsignedInteger('revision');
            $table->longText('document');
            $table->timestamp('created_at', 6);
        });
        Tables::index('revisions', ['garden_id', 'revision'], unique: true);
        Tables::belongs('revisions', 'garden_id', 'gardens');
    }

    public function down(): void
    {
        Schema::dropIfExists('revisions');
        Schema::dropIfExists('gardens');
    }
};
