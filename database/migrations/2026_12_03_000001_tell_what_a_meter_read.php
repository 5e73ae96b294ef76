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
        // A meter reads every few minutes for a year: what it read after the first of each day is passed over, without being fetched, once
        // it is old.
        Tables::column('entries', 'minor', static fn (Blueprint $table) => $table->boolean('minor')->default(false));
        Tables::index('entries', ['garden_id', 'tub', 'copy', 'minor', 'at']);
        DB::table('entries')->where('document', 'like', '%"from":"meter"%')->update(['minor' => true]);
        $firsts = DB::table('entries')->where('minor', true)->groupBy('garden_id', 'tub', 'copy', DB::raw('left(at, 10)'))
            ->selectRaw('garden_id, tub, copy, min(at) as at')->get();
        foreach ($firsts as $first) {
            DB::table('entries')->where((array) $first)->update(['minor' => false]);
        }
    }

    public function down(): void
    {
        Schema::table('entries', static function (Blueprint $table): void {
            $table->dropIndex(['garden_id', 'tub', 'copy', 'minor', 'at']);
            $table->dropColumn('minor');
        });
    }
};
