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
        // What was read or done: rows of their own, written once and never changed.
        Tables::make('entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('garden_id');
            // Nobody's yet: growers come with the house network.
            $table->ulid('owner_id')->nullable();
            $table->char('entry', 26);
            $table->string('tub', 120);
            $table->unsignedTinyInteger('copy');
            $table->string('planting', 120)->nullable();
            // The grower's wall clock, as it was written.
            $table->char('at', 16);
            $table->text('document');
            $table->timestamp('created_at', 6);
        });
        Tables::index('entries', ['garden_id', 'entry'], unique: true);
        Tables::index('entries', ['garden_id', 'tub', 'copy', 'at']);
        Tables::belongs('entries', 'garden_id', 'gardens');

        // What is due in a garden, as it was worked out for a day: worked out anew when the design, the log or the day is another.
        Tables::make('due_days', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('garden_id');
            $table->string('basis', 120);
            $table->longText('document');
        });
        Tables::index('due_days', ['garden_id'], unique: true);
        Tables::belongs('due_days', 'garden_id', 'gardens');

        // The calendar of a garden as it was last handed out: what has moved since is told by its sequence.
        Tables::make('calendars', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('garden_id');
            $table->longText('document');
        });
        Tables::index('calendars', ['garden_id'], unique: true);
        Tables::belongs('calendars', 'garden_id', 'gardens');
    }

    public function down(): void
    {
        Schema::dropIfExists('calendars');
        Schema::dropIfExists('due_days');
        Schema::dropIfExists('entries');
    }
};
