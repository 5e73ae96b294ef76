<?php

declare(strict_types=1);

use App\Http\Controllers\PageController;
use App\Http\Controllers\UpController;
use App\Http\Middleware\HandleInertiaRequests;
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
Route::get('stand-ins/meter', MeterController::class)->withoutMiddleware(HandleInertiaRequests::class);
Route::get('up', UpController::class)->withoutMiddleware(HandleInertiaRequests::class);
