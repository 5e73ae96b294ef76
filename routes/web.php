<?php

declare(strict_types=1);

use App\Http\Controllers\PageController;
use App\Http\Controllers\PeoplePageController;
use App\Http\Controllers\UpController;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\MustBeKnown;
use App\Http\Middleware\OnHouseNetwork;
use App\Http\Middleware\WhoAsks;
use App\StandIns\MeterController;
use Illuminate\Support\Facades\Route;

Route::get('/', [PageController::class, 'gardens'])->name('gardens');
Route::get('library/{kind?}', [PageController::class, 'library'])->name('library');
Route::get('compare', [PageController::class, 'compare'])->name('compare');
Route::get('deleted', [PageController::class, 'deleted'])->name('deleted');
Route::get('wish', [PageController::class, 'wish'])->name('wish');
Route::get('dry-runs', [PageController::class, 'dryRuns'])->name('dry-runs');
Route::get('dry-runs/{run}', [PageController::class, 'dryRun'])->name('dry-run');
Route::get('gardens/{garden}/history', [PageController::class, 'history'])->name('history');
Route::get('gardens/{garden}/{tub}/marking-out', [PageController::class, 'markingOut'])->name('marking-out');
Route::get('gardens/{garden}/{tub?}/{mark?}', [PageController::class, 'workbench'])->name('workbench');

// The house network.
Route::middleware(OnHouseNetwork::class)->group(static function (): void {
    Route::get('people', [PeoplePageController::class, 'people'])->name('people');
    Route::withoutMiddleware(MustBeKnown::class)->group(static function (): void {
        Route::get('sign-in', [PeoplePageController::class, 'signIn'])->name('sign-in');
        Route::get('join/{code}', [PeoplePageController::class, 'join'])->name('join');
        Route::get('let-in/{code?}', [PeoplePageController::class, 'letIn'])->name('let-in');
    });
});

// What this machine asks itself: they know nothing of gardens, and are for nobody.
Route::withoutMiddleware([WhoAsks::class, MustBeKnown::class, HandleInertiaRequests::class])->group(static function (): void {
    Route::get('stand-ins/meter', MeterController::class);
    Route::get('up', UpController::class);
});
