<?php

declare(strict_types=1);

use App\Gardens\Tables;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What the list draws of a garden. Of those that are there it is worked out when the list next shows them.
        Tables::column('gardens', 'sketch', static fn (Blueprint $table): mixed => $table->text('sketch')->nullable());
        DB::table('gardens')->whereNull('sketch')->update(['settled' => false]);
    }

    public function down(): void
    {
        Schema::table('gardens', function (Blueprint $table): void {
            $table->dropColumn('sketch');
        });
    }
};
