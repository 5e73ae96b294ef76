<?php

declare(strict_types=1);

use App\Console\DemoCommand;
use App\Gardens\StaleRevision;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\RequireJson;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Routing\Middleware\SubstituteBindings;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\RefusedGarden;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', api: __DIR__.'/../routes/api.php')
    ->withCommands([DemoCommand::class])
    ->withMiddleware(function (Middleware $middleware): void {
        // No sessions and no cookies: pages are public to this machine, and the API takes only JSON, which another site's form cannot send.
        $middleware->group('web', [SubstituteBindings::class, HandleInertiaRequests::class]);
        $middleware->group('api', [RequireJson::class, SubstituteBindings::class]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport([RefusedGarden::class, StaleRevision::class]);
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*'));

        $exceptions->render(static fn (RefusedGarden $refused): JsonResponse => new JsonResponse([
            'message' => 'Refused; nothing was saved.',
            'faults' => array_map(static fn (Fault $f): array => ['pointer' => $f->pointer, 'message' => $f->message], $refused->faults),
        ], 422));

        $exceptions->render(static fn (StaleRevision $stale): JsonResponse => new JsonResponse([
            'message' => 'This garden was changed in another window meanwhile. Nothing was overwritten.',
            'revision' => $stale->current->revision,
            'document' => $stale->current->document,
        ], 409));

        $exceptions->render(static fn (PostTooLargeException $e): JsonResponse => new JsonResponse([
            'message' => 'That is too large to be a garden file, which has at most 2 MB. Nothing was saved.',
        ], 413));

        $exceptions->render(static function (PDOException $e, Request $request): JsonResponse|Response|null {
            // Only what says that the server is not there: SQLSTATE HY000 with a connection error, or 08xxx.
            if (preg_match('/\[(2002|2006|2013|1053)\]|gone away|Lost connection|server has/i', $e->getMessage()) !== 1) {
                return null;
            }

            return $request->is('api/*')
                ? new JsonResponse(
                    ['message' => 'The database does not answer. Your edits are kept on this page and saved when it is back.'],
                    503,
                )
                : response()->view(
                    'errors.plain',
                    [
                        'title' => 'The database does not answer',
                        'text' => 'Start it with bin/start, then load this page again. Nothing is lost.',
                    ],
                    503,
                );
        });

        $exceptions->render(static function (NotFoundHttpException $e, Request $request): JsonResponse|Response {
            $garden = $e->getPrevious() instanceof ModelNotFoundException;
            $text = $garden ? 'That garden is not here. It may have been deleted.' : 'There is nothing at this address.';

            return $request->is('api/*')
                ? new JsonResponse(['message' => $text], 404)
                : response()->view('errors.plain', ['title' => 'Not found', 'text' => $text], 404);
        });

        $exceptions->render(static function (HttpExceptionInterface $e, Request $request): ?Response {
            return $request->is('api/*') ? null : response()->view(
                'errors.plain',
                ['title' => 'That did not work', 'text' => 'Error '.$e->getStatusCode().'.'],
                $e->getStatusCode(),
            );
        });
    })
    ->create();
