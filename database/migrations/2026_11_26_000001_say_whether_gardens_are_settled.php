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
        // Whether what the list shows comes of final layouts; what was stored before did not always.
        Tables::column('gardens', 'settled', static fn (Blueprint $table): mixed => $table->boolean('settled')->default(false));
        Tables::index('gardens', ['settled']);
    }

    public function down(): void
    {
        Schema::table('gardens', function (Blueprint $table): void {
            $table->dropColumn('settled');
        });
    }
};
