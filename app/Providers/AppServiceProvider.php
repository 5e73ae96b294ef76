<?php

declare(strict_types=1);

namespace App\Providers;

use App\Gardens\OneTry;
use App\Growers\Acting;
use App\Growers\Codes;
use App\Growers\Passwords;
use App\Growers\SignIn;
use App\Library\KeptFiles;
use App\Library\LibraryFiles;
use App\Library\RememberedLayouts;
use App\Library\RememberedTubs;
use App\Logs\Photos;
use App\Meters\MeterService;
use App\Prices\SupplierService;
use App\Runs\Lessons;
use App\Runs\RunStore;
use App\Weather\ForecastService;
use Illuminate\Cache\RateLimiter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\ServiceProvider;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\KnownTubs;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Season\MadeWeather;
use KelpTub\Core\Season\WeatherSource;

/** Hands the core its Library and its schema, each made once a request. */
final class AppServiceProvider extends ServiceProvider
{
    /** Work that one request may do on what is not known yet: some two or three seconds of it at the most. */
    private const STEPS = 150;

    public function register(): void
    {
        $this->app->singleton(LibraryFiles::class, static fn (): LibraryFiles => new LibraryFiles(
            base_path('data'),
            new KeptFiles(storage_path('framework/cache/library')),
        ));
        $this->app->scoped(RunStore::class);
        $this->app->scoped(Acting::class, fn (): Acting => new Acting($this->app->runningInConsole()));
        $this->app->singleton(Passwords::class, static fn (): Passwords => new Passwords(base_path('data/common-passwords.txt')));
        $this->app->singleton(SignIn::class, static fn (): SignIn => new SignIn(new RateLimiter(Cache::store('tries')), new Codes));
        $this->app->singleton(Lessons::class, static fn (): Lessons => new Lessons(base_path('data/lessons.json')));
        $this->app->singleton(Library::class, fn (): Library => $this->app->make(LibraryFiles::class)->library());
        $this->app->singleton(
            GardenReader::class,
            fn (): GardenReader => $this->app->make(LibraryFiles::class)->reader(
                $this->app->make(Library::class),
                $this->app->make(KnownTubs::class),
            ),
        );
        $this->app->singleton(KnownTubs::class, fn (): KnownTubs => new KnownTubs(
            new RememberedTubs(Cache::store('tubs')->getStore(), $this->app->make(LibraryFiles::class)->stamp()),
        ));
        // Previews and pages answer with what is known; requests of their own work out the rest, so much at a time.
        $this->app->singleton(Planner::class, fn (): Planner => $this->planner(0));
        $this->app->singleton(
            SupplierService::class,
            static fn (): SupplierService => new SupplierService(new Factory, (string) config('kelp.supplier')),
        );
        $this->app->singleton(
            MeterService::class,
            static fn (): MeterService => new MeterService(new Factory, (string) config('kelp.meter')),
        );
        // Seasons are run in the weather that the forecast service tells.
        $this->app->singleton(ForecastService::class, static fn (): ForecastService => new ForecastService(
            new Factory,
            Cache::store('weather'),
            (string) config('kelp.weather'),
        ));
        $this->app->singleton(Photos::class, static fn (): Photos => new Photos((string) config('kelp.photos')));
        $this->app->singleton('planner.forecast', fn (): Planner => $this->planner(0, $this->app->make(ForecastService::class)));
        $this->app->bind('db.connector.mariadb', OneTry::class);
        // A season that is played again is the same only where its lids are: they are laid out to the end, which is remembered.
        $this->app->singleton('planner.whole', fn (): Planner => $this->planner(PHP_INT_MAX));
        $this->app->singleton('planner.final', fn (): Planner => $this->planner(self::STEPS));
    }

    private function planner(int $steps, WeatherSource $forecasts = new MadeWeather): Planner
    {
        return new Planner(
            Marks::all(),
            $this->app->make(Library::class),
            new RememberedLayouts(Cache::store('layouts'), $steps),
            $forecasts,
            $this->app->make(KnownTubs::class),
        );
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
    }
}
