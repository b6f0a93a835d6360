<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Auth\Audit;
use App\Auth\Entry;
use App\Auth\GoodPassword;
use App\Auth\SignIns;
use App\Http\Middleware\SignInHolds;
use App\Models\Happening;
use App\Models\SignIn;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** One's own password, and where one is signed in. */
final class AccountController
{
    public function __construct(private readonly SignIns $signIns) {}

    #[
        OA\Post(
            path: '/account/password',
            operationId: 'changePassword',
            summary: 'Change one\'s own password, with the present one; other sign-ins end.',
        ),
    ]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['present', 'password'],
                properties: [
                    new OA\Property(property: 'present', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 204, description: 'Changed')]
    #[
        OA\Response(
            response: 422,
            description: 'The present one is wrong, or the new one is no good',
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
    public function password(Request $request): Response|JsonResponse
    {
        $me = User::of($request);
        $given = $request->validate([
            'present' => ['required', 'string', 'max:1024'],
            'password' => ['required', 'string', new GoodPassword([$me->name, $me->email])],
        ]);
        // Guessed from an open screen it is held back as at the door.
        $wait = $this->signIns->wait($me->email);
        if ($wait > 0) {
            return SessionController::tooMany($wait);
        }
        if ($this->signIns->who($me->email, $given['present']) === null) {
            return response()->json(
                [
                    'message' => 'That is not your present password; nothing was changed.',
                    'problems' => [['pointer' => '/present', 'message' => 'is not right.']],
                ],
                422,
            );
        }
        DB::transaction(function () use ($request, $me, $given): void {
            $me->forceFill(['password' => $given['password']])->save();
            Entry::endAll($me, self::here($request));
            Audit::note(Happening::PasswordChanged, $me);
        });
        $request->session()->migrate(true);

        return response()->noContent();
    }

    #[OA\Get(path: '/account/sign-ins', operationId: 'signIns', summary: 'Where one is signed in.')]
    #[
        OA\Response(
            response: 200,
            description: 'Sign-ins, latest first',
            content: new OA\JsonContent(
                required: ['signIns'],
                properties: [
                    new OA\Property(
                        property: 'signIns',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/SignIn'),
                    ),
                ],
            ),
        ),
    ]
    public function signIns(Request $request): JsonResponse
    {
        $here = self::here($request);

        return response()->json([
            'signIns' => User::of($request)
                ->signIns()
                ->live()
                ->orderByDesc('seen_at')
                ->limit(100)
                ->get()
                ->map(
                    fn(SignIn $signIn): array => [
                        'id' => $signIn->id,
                        'here' => $signIn->id === $here,
                        'address' => $signIn->address,
                        'browser' => $signIn->browser,
                        'since' => $signIn->created_at->toIso8601ZuluString(),
                        'seenAt' => $signIn->seen_at->toIso8601ZuluString(),
                    ],
                )
                ->all(),
        ]);
    }

    #[OA\Delete(path: '/account/sign-ins/{signIn}', operationId: 'endSignIn', summary: 'End one of one\'s sign-ins.')]
    #[OA\Parameter(name: 'signIn', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 204, description: 'Ended')]
    public function end(Request $request, int $signIn): Response
    {
        $me = User::of($request);
        DB::transaction(function () use ($me, $signIn): void {
            $me->signIns()
                ->live()
                ->findOrFail($signIn)
                ->update(['ended_at' => now()]);
            Audit::note(Happening::SignInEnded, $me, ['count' => 1]);
        });

        return response()->noContent();
    }

    #[OA\Delete(path: '/account/sign-ins', operationId: 'endOthers', summary: 'End all sign-ins but this one.')]
    #[OA\Response(response: 204, description: 'Ended')]
    public function endOthers(Request $request): Response
    {
        $me = User::of($request);
        DB::transaction(function () use ($request, $me): void {
            Audit::note(Happening::SignInEnded, $me, ['count' => Entry::endAll($me, self::here($request))]);
        });

        return response()->noContent();
    }

    private static function here(Request $request): int
    {
        return (int) $request->session()->get(SignInHolds::KEY);
    }
}
