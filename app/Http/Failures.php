<?php

declare(strict_types=1);

namespace App\Http;

use App\Gardens\Conflict;
use App\Gardens\StaleRevision;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\ValidationException;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\RefusedGarden;
use PDOException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Throwable;

/** What is said when something fails: JSON to whom asks the API, a plain page to whom looks at a page; and what of it is written down. */
final class Failures
{
    public const AWAY = 'The database does not answer. Your edits are kept on this page and saved when it is back.';

    public const FULL = 'The disk is full, so nothing can be saved. Your edits are kept on this page; make room, and they are saved.';

    public static function handle(Exceptions $exceptions): void
    {
        $exceptions->dontReport([RefusedGarden::class, StaleRevision::class]);
        // A statement carries whole documents: the log says what failed, not of whom.
        $exceptions->report(static function (QueryException $e): bool {
            Log::error(
                'The database refused: '.mb_substr((string) $e->getPrevious()?->getMessage(), 0, 300),
                ['sql' => mb_substr($e->getSql(), 0, 300)],
            );

            return false;
        });
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => RequestInput::ofApi($request));

        $exceptions->render(static fn (RefusedGarden $refused): JsonResponse => new JsonResponse([
            'message' => 'Refused; nothing was saved.',
            'faults' => array_map(static fn (Fault $f): array => ['pointer' => $f->pointer, 'message' => $f->message], $refused->faults),
        ], 422, options: JSON_INVALID_UTF8_SUBSTITUTE));

        $exceptions->render(static fn (StaleRevision $stale): JsonResponse => new JsonResponse(app(Conflict::class)->of($stale), 409));

        $exceptions->render(static fn (PostTooLargeException $e, Request $request): Response|JsonResponse => self::answer(
            $request,
            413,
            'Too large',
            'That is too large to be a garden file, which has at most 2 MB. Nothing was saved.',
        ));

        $exceptions->render(static function (PDOException $e, Request $request): JsonResponse|Response|null {
            // What the database said; the message of a query holds the document too.
            $said = ($e->getPrevious() ?? $e)->getMessage();

            return match (true) {
                preg_match('/\b(1021|1026|1114)\b|disk full|No space left|rrcode: 28|error 28/i', $said) === 1 => self::answer(
                    $request,
                    507,
                    'The disk is full',
                    self::FULL,
                ),
                // Only what says that the server is not there: SQLSTATE HY000 with a connection error, or 08xxx.
                preg_match('/\[(2002|2006|2013|1053|1040|1045)\]|gone away|Lost connection|server has/i', $said) === 1 => self::answer(
                    $request,
                    503,
                    'The database does not answer',
                    self::AWAY,
                ),
                default => null,
            };
        });

        $exceptions->render(static function (NotFoundHttpException $e, Request $request): JsonResponse|Response {
            $garden = $e->getPrevious() instanceof ModelNotFoundException;
            $text = $garden ? 'That garden is not here. It may have been deleted.' : 'There is nothing at this address.';

            return self::answer($request, 404, 'Not found', $text);
        });

        $exceptions->render(static fn (ValidationException $e, Request $request): ?JsonResponse => RequestInput::ofApi($request)
            ? new JsonResponse(['message' => $e->getMessage(), 'errors' => $e->errors()], 422, options: JSON_INVALID_UTF8_SUBSTITUTE)
            : null);

        $exceptions->render(static fn (HttpExceptionInterface $e, Request $request): JsonResponse|Response => self::answer(
            $request,
            $e->getStatusCode(),
            'That did not work',
            $e->getMessage() !== '' ? $e->getMessage() : 'Error '.$e->getStatusCode().'.',
            $e->getHeaders(),
        ));

        $exceptions->render(static fn (Throwable $e, Request $request): JsonResponse|Response|null => config('app.debug') === true
            ? null
            : self::answer(
                $request,
                self::isFull($e) ? 507 : 500,
                self::isFull($e) ? 'The disk is full' : 'That did not work',
                self::isFull($e) ? self::FULL : 'Kelp Tub made a mistake and wrote it down in its log. Nothing was overwritten.',
            ));
    }

    private static function isFull(Throwable $e): bool
    {
        // What a statement says holds what the grower wrote.
        return ! $e instanceof PDOException && str_contains($e->getMessage(), 'No space left');
    }

    /** @param  array<string, mixed>  $headers */
    private static function answer(Request $request, int $status, string $title, string $text, array $headers = []): JsonResponse|Response
    {
        return RequestInput::ofApi($request)
            ? new JsonResponse(['message' => $text], $status, $headers, JSON_INVALID_UTF8_SUBSTITUTE)
            : response()->view('errors.plain', ['title' => $title, 'text' => $text], $status, $headers);
    }
}
