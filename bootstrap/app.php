<?php

declare(strict_types=1);

use App\Auth\Audit;
use App\Exceptions\Conflict;
use App\Exceptions\DatabaseTrouble;
use App\Http\Controllers\HealthController;
use App\Http\Hosts;
use App\Http\Middleware\CsrfUnlessToken;
use App\Http\Middleware\ReadableText;
use App\Http\Middleware\RequestId;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SessionUnlessToken;
use App\Models\Happening;
use App\Models\User;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

$problems = fn(array $list): array => array_map(fn(Problem $p): array => $p->toArray(), $list);

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
        then: function (): void {
            Route::get('/up', HealthController::class);
            // The interface signs in by session, CSRF check included; a program by its token, without either.
            Route::middleware('signed-in')
                ->prefix('api/v1')
                ->group(__DIR__ . '/../routes/api.php');
        },
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // Who may say for whom a request came, and that it came by TLS: those named, and nobody else.
        $proxies = array_filter(array_map(trim(...), explode(',', (string) env('HOLLIN_PROXIES', ''))));
        if ($proxies !== []) {
            $middleware->trustProxies(at: array_values($proxies));
        }
        $middleware->prepend(RequestId::class);
        $middleware->append(SecurityHeaders::class);
        // It comes with a one-use token of its own, from a page of the printing browser's folder.
        $middleware->validateCsrfTokens(except: ['print-entry']);
        $middleware->group('signed-in', [
            EncryptCookies::class,
            AddQueuedCookiesToResponse::class,
            SessionUnlessToken::class,
            CsrfUnlessToken::class,
            ReadableText::class,
            SubstituteBindings::class,
        ]);
        $middleware->trustHosts(at: fn(): array => Hosts::patterns(), subdomains: false);
        $middleware->redirectGuestsTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions) use ($problems): void {
        $exceptions->respond(function (Response $response, Throwable $e, Request $request): Response {
            $user = $response->getStatusCode() === 403 ? $request->user() : null;
            if ($user instanceof User) {
                rescue(
                    fn() => Audit::note(Happening::Denied, $user, [
                        'method' => $request->getMethod(),
                        'path' => '/' . ltrim(substr($request->path(), strlen('api/v1')), '/'),
                        'why' => Str::limit($e->getMessage(), 200),
                    ]),
                );
            }

            return $response;
        });
        $exceptions->shouldRenderJsonWhen(fn(Request $request): bool => $request->is('api/*'));
        $exceptions->dontReport([Refused::class, BadJobFile::class, Conflict::class]);
        // Its own message carries the values of the statement: a password's hash among them.
        $exceptions->report(function (QueryException $e): false {
            Log::error('The database refused a statement.', [
                'state' => $e->getCode(),
                'statement' => $e->getSql(),
                'why' => strtok($e->getPrevious()?->getMessage() ?? '', "\n"),
                'at' => $e->getFile() . ':' . $e->getLine(),
            ]);

            return false;
        });
        $exceptions->render(
            fn(NotFoundHttpException $e, Request $request) => $request->is('api/*')
                ? response()->json(
                    [
                        'message' =>
                            $e->getPrevious() instanceof ModelNotFoundException || $e->getMessage() === ''
                                ? 'There is no such thing in this workshop.'
                                : $e->getMessage(),
                    ],
                    404,
                )
                : null,
        );
        // Decided by its state, never by words: the database is away, which passes, or what was sent cannot be stored.
        $exceptions->render(
            fn(QueryException $e) => match (DatabaseTrouble::of($e)) {
                DatabaseTrouble::Away => response()->json(
                    [
                        'message' =>
                            'The database does not answer just now. Nothing you typed is lost: it is sent again.',
                        'problems' => [],
                    ],
                    503,
                    ['Retry-After' => '5'],
                ),
                DatabaseTrouble::Unstorable => response()->json(
                    [
                        'message' =>
                            'Something in it cannot be stored as it was sent: a value out of its range, or one ' .
                            'that contradicts what is there. Nothing was stored.',
                        'problems' => [],
                    ],
                    422,
                ),
                DatabaseTrouble::Broken => null,
            },
        );
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
