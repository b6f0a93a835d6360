<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;

/** Signing in and out. */
final class SessionController
{
    private const TRIES = 6;

    #[OA\Post(path: '/session', operationId: 'signIn', summary: 'Sign in; the session cookie does the rest.')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['email', 'password'],
                properties: [
                    new OA\Property(property: 'email', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 200, description: 'Signed in', content: new OA\JsonContent(ref: '#/components/schemas/Me'))]
    #[
        OA\Response(
            response: 422,
            description: 'Wrong name or password',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    #[
        OA\Response(
            response: 429,
            description: 'Too many tries',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate([
            'email' => ['required', 'string', 'max:190'],
            'password' => ['required', 'string', 'max:200'],
        ]);
        $key = 'sign-in|' . Str::lower($given['email']) . '|' . $request->ip();
        if (RateLimiter::tooManyAttempts($key, self::TRIES)) {
            return response()->json(
                [
                    'message' => sprintf(
                        'Too many tries. Wait %d seconds, then try again.',
                        RateLimiter::availableIn($key),
                    ),
                    'problems' => [],
                ],
                429,
            );
        }
        if (!Auth::attempt(['email' => Str::lower($given['email']), 'password' => $given['password']])) {
            RateLimiter::hit($key);

            return response()->json(
                [
                    'message' => 'That e-mail and password do not go together.',
                    'problems' => [['pointer' => '/password', 'message' => 'is not right.']],
                ],
                422,
            );
        }
        RateLimiter::clear($key);
        $request->session()->regenerate();

        return response()->json(self::person($request));
    }

    #[OA\Get(path: '/session', operationId: 'me', summary: 'Who is signed in.')]
    #[
        OA\Response(
            response: 200,
            description: 'The person',
            content: new OA\JsonContent(ref: '#/components/schemas/Me'),
        ),
    ]
    #[
        OA\Response(
            response: 401,
            description: 'Nobody',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(Request $request): JsonResponse
    {
        return response()->json(self::person($request));
    }

    #[OA\Delete(path: '/session', operationId: 'signOut', summary: 'Sign out.')]
    #[OA\Response(response: 204, description: 'Signed out')]
    public function destroy(Request $request): JsonResponse
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(null, 204);
    }

    /** @return array<string, mixed> */
    private static function person(Request $request): array
    {
        $user = $request->user() ?? Auth::user();
        assert($user instanceof User);

        return [
            'id' => $user->id,
            'name' => $user->name,
            'role' => $user->role->value,
            'roleLabel' => $user->role->label(),
            'workshop' => $user->workshop->name,
        ];
    }
}
