<?php

declare(strict_types=1);

use App\Http\Controllers\PageController;
use Illuminate\Support\Facades\Route;

Route::get('/', [PageController::class, 'gardens'])->name('gardens');
Route::get('gardens/{garden}/{tub?}/{mark?}', [PageController::class, 'workbench'])->name('workbench');
