<?php

declare(strict_types=1);

use App\Gardens\Tables;
use App\Models\Garden;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The version whose rules a grower has been told of; null for gardens that were made by earlier ones.
        Tables::column('gardens', 'reckoned_by', static fn (Blueprint $table): mixed => $table->string('reckoned_by', 16)->nullable());
        // Rules have changed: what the list shows of each garden is worked out anew.
        DB::table((new Garden)->getTable())->update(['settled' => false]);
    }

    public function down(): void
    {
        Schema::table('gardens', function (Blueprint $table): void {
            $table->dropColumn('reckoned_by');
        });
    }
};
