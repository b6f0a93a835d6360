<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Auth\Audit;
use App\Auth\Entry;
use App\Auth\SignIns;
use App\Models\Happening;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use OpenApi\Attributes as OA;

/** Signing in and out. */
final class SessionController
{
    public function __construct(private readonly SignIns $signIns) {}

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
        abort_unless($request->hasSession(), 400, 'With a token there is nothing to sign in to.');
        $given = $request->validate([
            'email' => ['required', 'string', 'max:190'],
            'password' => ['required', 'string', 'max:1024'],
        ]);
        $wait = $this->signIns->wait($given['email']);
        if ($wait > 0) {
            return self::tooMany($wait);
        }
        $user = $this->signIns->who($given['email'], $given['password']);
        if ($user === null) {
            return response()->json(
                [
                    'message' => 'That e-mail and password do not go together.',
                    'problems' => [['pointer' => '/password', 'message' => 'is not right.']],
                ],
                422,
            );
        }
        Entry::open($request, $user);
        Audit::note(Happening::SignedIn, $user);

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
        abort_unless($request->hasSession(), 400, 'With a token there is nothing to sign out of.');
        Audit::note(Happening::SignedOut, User::of($request));
        Entry::close($request);

        return new JsonResponse(null, 204);
    }

    /** Held back for so many seconds. */
    public static function tooMany(int $wait): JsonResponse
    {
        return response()->json(
            ['message' => sprintf('Too many tries. Wait %d seconds, then try again.', $wait), 'problems' => []],
            429,
        );
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
            'workshopId' => $user->workshop_id,
        ];
    }
}
