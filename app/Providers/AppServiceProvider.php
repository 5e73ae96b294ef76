<?php

declare(strict_types=1);

namespace App\Providers;

use App\Library\KeptFiles;
use App\Library\LibraryFiles;
use App\Library\RememberedLayouts;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\ServiceProvider;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Marks;

/** Hands the core its Library and its schema, each made once a request. */
final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(LibraryFiles::class, static fn (): LibraryFiles => new LibraryFiles(
            base_path('data'),
            new KeptFiles(storage_path('framework/cache/library')),
        ));
        $this->app->singleton(Library::class, fn (): Library => $this->app->make(LibraryFiles::class)->library());
        $this->app->singleton(
            GardenReader::class,
            fn (): GardenReader => $this->app->make(LibraryFiles::class)->reader($this->app->make(Library::class)),
        );
        // Previews and pages answer with the spreads that are known; one request works out the others.
        $this->app->singleton(Planner::class, fn (): Planner => $this->planner(solve: false));
        $this->app->singleton('planner.final', fn (): Planner => $this->planner(solve: true));
    }

    private function planner(bool $solve): Planner
    {
        return new Planner(Marks::all(), $this->app->make(Library::class), new RememberedLayouts(Cache::store('layouts'), $solve));
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
    }
}
