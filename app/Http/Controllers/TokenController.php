<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Auth\Audit;
use App\Models\Happening;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Laravel\Sanctum\PersonalAccessToken;
use OpenApi\Attributes as OA;

/** Tokens for other programs: they act as the person who made them, reading only unless said. */
final class TokenController
{
    #[OA\Get(path: '/tokens', operationId: 'tokens', summary: 'One\'s own tokens, never their text.')]
    #[
        OA\Response(
            response: 200,
            description: 'Tokens',
            content: new OA\JsonContent(
                required: ['tokens'],
                properties: [
                    new OA\Property(
                        property: 'tokens',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/Token'),
                    ),
                ],
            ),
        ),
    ]
    public function index(Request $request): JsonResponse
    {
        return response()->json([
            'tokens' => User::of($request)->tokens()->orderBy('id')->get()->map(self::row(...))->all(),
        ]);
    }

    #[OA\Post(path: '/tokens', operationId: 'makeToken', summary: 'Make a token; its text is shown this once.')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['name'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'writes', type: 'boolean'),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'Made',
            content: new OA\JsonContent(
                required: ['token', 'text'],
                properties: [
                    new OA\Property(property: 'token', ref: '#/components/schemas/Token'),
                    new OA\Property(property: 'text', type: 'string'),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Something is missing',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:80'], 'writes' => ['nullable', 'boolean']]);
        $user = User::of($request);
        $made = $user->createToken(
            $given['name'],
            $given['writes'] ?? false ? ['read', 'write'] : ['read'],
            now()->addYear(),
        );
        Audit::note(Happening::TokenMade, $user, [
            'name' => $given['name'],
            'rights' => $given['writes'] ?? false ? 'reading and writing' : 'reading only',
        ]);

        return response()->json(['token' => self::row($made->accessToken), 'text' => $made->plainTextToken], 201);
    }

    #[OA\Delete(path: '/tokens/{token}', operationId: 'dropToken', summary: 'Take a token back.')]
    #[OA\Parameter(name: 'token', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 204, description: 'Gone')]
    public function destroy(Request $request, int $token): Response
    {
        $user = User::of($request);
        $with = $user->currentAccessToken();
        abort_if(
            $with instanceof PersonalAccessToken && $with->id !== $token,
            403,
            'A token takes back itself alone; sign in.',
        );
        $one = $user->tokens()->where('id', $token)->firstOrFail();
        $one->delete();
        Audit::note(Happening::TokenTakenBack, $user, ['name' => $one->name]);

        return response()->noContent();
    }

    /** @return array<string, mixed> */
    private static function row(PersonalAccessToken $token): array
    {
        return [
            'id' => $token->id,
            'name' => $token->name,
            'writes' => in_array('write', $token->abilities ?? [], true),
            'usedAt' => $token->last_used_at?->toIso8601ZuluString(),
            'until' => $token->expires_at?->toIso8601ZuluString(),
        ];
    }
}
