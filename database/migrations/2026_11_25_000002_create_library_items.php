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
        Tables::make('library_items', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 16);
            $table->string('key', 120);
            $table->string('name', 120);
            // As text, like a garden's document: what was written comes back to the last point.
            $table->mediumText('document');
            $table->timestamps(6);
        });
        Tables::index('library_items', ['kind', 'key'], unique: true);
    }

    public function down(): void
    {
        Schema::dropIfExists('library_items');
    }
};
