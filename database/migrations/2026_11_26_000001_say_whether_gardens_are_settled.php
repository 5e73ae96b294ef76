<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('gardens', function (Blueprint $table): void {
            // Whether what the list shows comes of final layouts; what was stored before did not always.
            $table->boolean('settled')->default(false)->index();
        });
    }

    public function down(): void
    {
        Schema::table('gardens', function (Blueprint $table): void {
            $table->dropColumn('settled');
        });
    }
};
