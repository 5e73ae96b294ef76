<?php

declare(strict_types=1);

namespace App\Providers;

use App\Library\LibraryFiles;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\ServiceProvider;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Library;
use KelpTub\Core\Garden\Planner;

/** Hands the core its Library and its schema, each made once a request. */
final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(LibraryFiles::class, static fn (): LibraryFiles => new LibraryFiles(base_path('data')));
        $this->app->singleton(Library::class, fn (): Library => $this->app->make(LibraryFiles::class)->library());
        $this->app->singleton(GardenReader::class, fn (): GardenReader => $this->app->make(LibraryFiles::class)->reader($this->app->make(Library::class)));
        $this->app->singleton(Planner::class, fn (): Planner => new Planner($this->app->make(Library::class)));
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
    }
}
