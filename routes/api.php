<?php

declare(strict_types=1);

use App\Http\Controllers\Api\AirController;
use App\Http\Controllers\Api\BuildController;
use App\Http\Controllers\Api\CostController;
use App\Http\Controllers\Api\CupsController;
use App\Http\Controllers\Api\DiaryController;
use App\Http\Controllers\Api\DryRunController;
use App\Http\Controllers\Api\EditController;
use App\Http\Controllers\Api\EntryController;
use App\Http\Controllers\Api\EverythingController;
use App\Http\Controllers\Api\GardenController;
use App\Http\Controllers\Api\LibraryController;
use App\Http\Controllers\Api\MeterController;
use App\Http\Controllers\Api\PeopleController;
use App\Http\Controllers\Api\PhotoController;
use App\Http\Controllers\Api\PriceController;
use App\Http\Controllers\Api\ReadController;
use App\Http\Controllers\Api\ReportController;
use App\Http\Controllers\Api\SeasonController;
use App\Http\Controllers\Api\SignInController;
use App\Http\Controllers\Api\TubController;
use App\Http\Controllers\Api\WishController;
use App\Http\Middleware\MustBeKnown;
use App\Http\Middleware\OnHouseNetwork;
use App\Http\Middleware\RequireJson;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Route;

// The floor that bin/bench measures previews against.
Route::post('nothing', static fn (): JsonResponse => new JsonResponse(new stdClass));

Route::post('preview', [ReportController::class, 'preview']);
Route::post('plan', [ReportController::class, 'plan']);
Route::post('layouts', [TubController::class, 'layouts']);
Route::post('apart', [TubController::class, 'apart']);
Route::post('crops', [TubController::class, 'crops']);
Route::post('season', [SeasonController::class, 'runs']);
Route::post('season/correct', [SeasonController::class, 'correct']);
Route::post('air', [AirController::class, 'look']);
Route::post('pumps', [AirController::class, 'pumps']);
Route::post('pumps/curve', [AirController::class, 'curve']);
Route::post('cost', [CostController::class, 'figures']);
Route::post('savings', [CostController::class, 'savings']);
Route::post('prices/read', [PriceController::class, 'read']);
Route::post('prices/refresh', [PriceController::class, 'refresh']);
Route::post('parts', [BuildController::class, 'parts']);
Route::post('build', [BuildController::class, 'sheet']);
Route::post('build/print', [BuildController::class, 'print']);
Route::post('template', [BuildController::class, 'template']);
Route::post('vessels', [TubController::class, 'vessels']);
Route::post('cups', CupsController::class);
Route::post('edits/add', [EditController::class, 'add']);
Route::post('edits/run', [EditController::class, 'run']);
Route::post('edits/nest', [EditController::class, 'nest']);
Route::post('edits/aerate', [EditController::class, 'aerate']);
Route::post('edits/remove', [EditController::class, 'remove']);
Route::post('edits/copy', [EditController::class, 'copy']);
Route::post('edits/count', [EditController::class, 'count']);
Route::post('advice', [EditController::class, 'advise']);
Route::post('read', ReadController::class);
Route::post('wish', [WishController::class, 'find']);
Route::post('wish/into', [WishController::class, 'into']);

Route::get('gardens', [GardenController::class, 'index']);
Route::post('gardens', [GardenController::class, 'store']);
Route::get('gardens/{garden}', [GardenController::class, 'show']);
Route::put('gardens/{id}', [GardenController::class, 'update']);
Route::delete('gardens/{id}', [GardenController::class, 'destroy']);
Route::post('gardens/{garden}/restore', [GardenController::class, 'restore'])->withTrashed();
Route::post('gardens/{garden}/told', [GardenController::class, 'told']);
Route::post('gardens/{garden}/copy', [GardenController::class, 'copy']);
Route::get('gardens/{garden}/revisions/{revision}', [GardenController::class, 'revision'])->where('revision', '\d{1,9}');
Route::post('gardens/{garden}/revisions/{revision}/restore', [GardenController::class, 'goBack'])->where('revision', '\d{1,9}');
Route::get('gardens/{garden}/file', [GardenController::class, 'file']);

Route::get('gardens/{garden}/entries', [EntryController::class, 'index']);
Route::post('gardens/{garden}/entries', [EntryController::class, 'store']);
Route::post('gardens/{garden}/entries/read', [DiaryController::class, 'read']);
Route::post('gardens/{garden}/entries/import', [EntryController::class, 'import']);
Route::get('gardens/{garden}/entries/file.{form}', [EntryController::class, 'export'])->whereIn('form', ['csv', 'json']);
Route::post('gardens/{garden}/photos', [PhotoController::class, 'store'])->withoutMiddleware(RequireJson::class);
Route::get('gardens/{garden}/photos/{photo}.jpg', [PhotoController::class, 'show']);
Route::match(['get', 'post'], 'gardens/{garden}/days', [DiaryController::class, 'days']);
Route::post('gardens/{garden}/succession', [DiaryController::class, 'succession']);
Route::get('gardens/{garden}/days.{form}', [DiaryController::class, 'export'])->whereIn('form', ['ics', 'csv', 'pdf']);
Route::match(['get', 'post'], 'gardens/{garden}/diary', [DiaryController::class, 'ofCopy']);
Route::post('gardens/{garden}/meter', [MeterController::class, 'ask']);
Route::post('gardens/{garden}/meter/hold', [MeterController::class, 'hold']);
Route::post('meter/judge', [MeterController::class, 'judge']);
Route::get('due', [DiaryController::class, 'due']);

Route::post('dry-runs', [DryRunController::class, 'store']);
Route::post('dry-runs/file', [DryRunController::class, 'takeIn']);
Route::get('dry-runs/{run}', [DryRunController::class, 'show']);
Route::put('dry-runs/{run}', [DryRunController::class, 'update']);
Route::delete('dry-runs/{run}', [DryRunController::class, 'destroy']);
Route::get('dry-runs/{run}/diagnosis', [DryRunController::class, 'diagnosis']);
Route::get('dry-runs/{run}/file', [DryRunController::class, 'file']);
Route::post('odds', [DryRunController::class, 'odds']);

Route::get('library/{kind}', [LibraryController::class, 'index']);
Route::post('library/{kind}', [LibraryController::class, 'store']);
Route::post('library/{kind}/import', [LibraryController::class, 'import']);
Route::delete('library/{kind}/{key}', [LibraryController::class, 'destroy']);
Route::get('library/{kind}/file.{form}', [LibraryController::class, 'export'])->whereIn('form', ['csv', 'json']);

Route::get('everything', [EverythingController::class, 'show']);
Route::get('everything.zip', [EverythingController::class, 'zip']);
Route::post('everything', [EverythingController::class, 'store']);

// The house network.
Route::middleware(OnHouseNetwork::class)->group(static function (): void {
    Route::post('sign-out', [SignInController::class, 'out']);
    Route::post('people/invite', [PeopleController::class, 'invite']);
    Route::post('people/device', [PeopleController::class, 'device']);
    Route::post('people/password', [PeopleController::class, 'password']);
    Route::delete('people/devices/{device}', [PeopleController::class, 'end']);
    Route::withoutMiddleware(MustBeKnown::class)->group(static function (): void {
        Route::post('sign-in', [SignInController::class, 'in']);
        Route::post('join', [SignInController::class, 'join']);
        Route::post('let-in', [SignInController::class, 'letIn']);
    });
});
