<?php

declare(strict_types=1);

use App\Exceptions\Conflict;
use App\Http\Middleware\CsrfUnlessToken;
use App\Http\Middleware\SecurityHeaders;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;
use Illuminate\Validation\ValidationException;

$problems = fn(array $list): array => array_map(fn(Problem $p): array => $p->toArray(), $list);

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
        health: '/up',
        then: function (): void {
            // The interface signs in by session, so the API runs in the web group, CSRF check included.
            Route::middleware('web')
                ->prefix('api/v1')
                ->group(__DIR__ . '/../routes/api.php');
        },
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->append(SecurityHeaders::class);
        $middleware->web(replace: [ValidateCsrfToken::class => CsrfUnlessToken::class]);
        $middleware->redirectGuestsTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions) use ($problems): void {
        $exceptions->shouldRenderJsonWhen(fn(Request $request): bool => $request->is('api/*'));
        $exceptions->dontReport([Refused::class, BadJobFile::class, Conflict::class]);
        $exceptions->render(
            fn(Refused $e) => response()->json(
                ['message' => $e->getMessage(), 'problems' => $problems($e->problems)],
                422,
            ),
        );
        $exceptions->render(
            fn(BadJobFile $e) => response()->json(
                [
                    'message' => 'The job file cannot be read; nothing was stored.',
                    'problems' => $problems($e->problems),
                ],
                422,
            ),
        );
        $exceptions->render(
            fn(Conflict $e) => response()->json(
                ['message' => $e->getMessage(), 'head' => $e->head, 'conflicts' => $e->conflicts],
                409,
            ),
        );
        $exceptions->render(
            fn(ValidationException $e) => response()->json(
                [
                    'message' => $e->getMessage(),
                    'problems' => array_map(
                        fn(string $field, array $messages): array => [
                            'pointer' => '/' . str_replace('.', '/', $field),
                            'message' => $messages[0],
                        ],
                        array_keys($e->errors()),
                        $e->errors(),
                    ),
                ],
                422,
            ),
        );
    })
    ->create();
