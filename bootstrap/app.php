<?php

declare(strict_types=1);

use App\Console\DemoCommand;
use App\Console\EverythingCommand;
use App\Console\MetersCommand;
use App\Console\PeopleCommand;
use App\Console\PreloadCommand;
use App\Console\PutBackCommand;
use App\Console\ReadyCommand;
use App\Console\TidyCommand;
use App\Http\Failures;
use App\Http\Middleware\GuardedHeaders;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\MustBeKnown;
use App\Http\Middleware\OnlyFromHere;
use App\Http\Middleware\RequireJson;
use App\Http\Middleware\WhoAsks;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\ValidatePostSize;
use Illuminate\Routing\Middleware\SubstituteBindings;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', api: __DIR__.'/../routes/api.php')
    ->withCommands([
        DemoCommand::class,
        EverythingCommand::class,
        MetersCommand::class,
        PeopleCommand::class,
        PreloadCommand::class,
        PutBackCommand::class,
        ReadyCommand::class,
        TidyCommand::class,
    ])
    ->withMiddleware(function (Middleware $middleware): void {
        // No word to other origins: only our own pages may ask the API. Sessions and cookies only on the house network (WhoAsks).
        $middleware->use([GuardedHeaders::class, OnlyFromHere::class, ValidatePostSize::class]);
        $middleware->group('web', [WhoAsks::class, MustBeKnown::class, SubstituteBindings::class, HandleInertiaRequests::class]);
        $middleware->group('api', [RequireJson::class, WhoAsks::class, MustBeKnown::class, SubstituteBindings::class]);
    })
    ->withExceptions(Failures::handle(...))
    ->create();

return $app->useEnvironmentPath($app->configPath())->loadEnvironmentFrom('defaults.env');
