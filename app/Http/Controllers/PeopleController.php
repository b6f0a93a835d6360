<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People;
use App\Models\PersonLink;
use App\Models\Role;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** The people of a workshop, as its lead technicians manage them. */
final class PeopleController
{
    public function __construct(private readonly People $people) {}

    #[
        OA\Get(
            path: '/people',
            operationId: 'people',
            summary: 'The people of the workshop and the links that are open.',
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'People',
            content: new OA\JsonContent(
                required: ['people', 'links'],
                properties: [
                    new OA\Property(
                        property: 'people',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/Person'),
                    ),
                    new OA\Property(
                        property: 'links',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/PersonLink'),
                    ),
                ],
            ),
        ),
    ]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('manage', User::class);
        $me = User::of($request);

        return response()->json([
            'people' => $me->workshop
                ->users()
                ->withMax('signIns', 'seen_at')
                ->orderBy('name')
                ->get()
                ->map(fn(User $person): array => self::row($person, $me))
                ->all(),
            'links' => $me->workshop
                ->personLinks()
                ->open()
                ->with(['person', 'maker'])
                ->orderBy('id')
                ->get()
                ->map(self::linkRow(...))
                ->all(),
        ]);
    }

    #[
        OA\Post(
            path: '/people/invitations',
            operationId: 'invite',
            summary: 'Make a one-use link with which somebody joins; it is shown this once and good for a week.',
        ),
    ]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['name', 'role'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'role', type: 'string', enum: ['lead', 'technician', 'apprentice']),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'Made',
            content: new OA\JsonContent(ref: '#/components/schemas/MadeLink'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Something is missing',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function invite(Request $request): JsonResponse
    {
        Gate::authorize('manage', User::class);
        $given = $request->validate(['name' => ['required', 'string', 'max:120'], 'role' => self::roleRule()]);

        return self::made($this->people->invite(User::of($request), $given['name'], Role::from($given['role'])));
    }

    #[
        OA\Post(
            path: '/people/{person}/reset',
            operationId: 'resetLink',
            summary: 'Make a one-use link with which somebody sets a new password; good for a day.',
        ),
    ]
    #[OA\Parameter(name: 'person', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 201,
            description: 'Made',
            content: new OA\JsonContent(ref: '#/components/schemas/MadeLink'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Somebody who has left',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function reset(Request $request, int $person): JsonResponse
    {
        [$me, $somebody] = self::managed($request, $person);

        return self::made($this->people->reset($me, $somebody));
    }

    #[OA\Delete(path: '/people/links/{link}', operationId: 'takeBackLink', summary: 'Take a link back.')]
    #[OA\Parameter(name: 'link', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 204, description: 'Good for nothing any more')]
    public function takeBack(Request $request, int $link): Response
    {
        Gate::authorize('manage', User::class);
        $me = User::of($request);
        $this->people->takeBack($me, $me->workshop->personLinks()->open()->findOrFail($link));

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/people/{person}/role',
            operationId: 'changeRole',
            summary: 'Give somebody another role. A workshop keeps one lead technician.',
        ),
    ]
    #[OA\Parameter(name: 'person', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['role'],
                properties: [
                    new OA\Property(property: 'role', type: 'string', enum: ['lead', 'technician', 'apprentice']),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 204, description: 'Changed')]
    #[
        OA\Response(
            response: 422,
            description: 'The last lead technician',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function changeRole(Request $request, int $person): Response
    {
        [$me, $somebody] = self::managed($request, $person);
        $given = $request->validate(['role' => self::roleRule()]);
        $this->people->changeRole($me, $somebody, Role::from($given['role']));

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/people/{person}/leave',
            operationId: 'leave',
            summary: 'Somebody leaves: out everywhere at once; the name stays on what was done.',
        ),
    ]
    #[OA\Parameter(name: 'person', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 204, description: 'Left')]
    #[
        OA\Response(
            response: 422,
            description: 'The last lead technician',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function leave(Request $request, int $person): Response
    {
        $this->people->leave(...self::managed($request, $person));

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/people/{person}/return',
            operationId: 'letIn',
            summary: 'Let somebody who left in again, as an apprentice, with a link for a new password.',
        ),
    ]
    #[OA\Parameter(name: 'person', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 201,
            description: 'Made',
            content: new OA\JsonContent(ref: '#/components/schemas/MadeLink'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Somebody who has not left',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function letIn(Request $request, int $person): JsonResponse
    {
        return self::made($this->people->letIn(...self::managed($request, $person)));
    }

    /** @return array{User, User} who asks, and the person of the same workshop */
    private static function managed(Request $request, int $person): array
    {
        Gate::authorize('manage', User::class);
        $me = User::of($request);

        return [$me, $me->workshop->users()->findOrFail($person)];
    }

    /** @return list<mixed> */
    private static function roleRule(): array
    {
        return ['required', Rule::enum(Role::class)];
    }

    /** @param array{PersonLink, string} $made */
    private static function made(array $made): JsonResponse
    {
        [$link, $token] = $made;

        return response()->json(
            ['link' => self::linkRow($link->load(['person', 'maker'])), 'address' => PersonLink::place($token)],
            201,
        );
    }

    /** @return array<string, mixed> */
    private static function row(User $person, User $me): array
    {
        $seen = $person->getAttribute('sign_ins_max_seen_at');

        return [
            'id' => $person->id,
            'name' => $person->name,
            'email' => $person->email,
            'role' => $person->role->value,
            'roleLabel' => $person->role->label(),
            'me' => $person->id === $me->id,
            'seenAt' => $seen === null ? null : now()->parse($seen)->toIso8601ZuluString(),
            'leftAt' => $person->left_at?->toIso8601ZuluString(),
        ];
    }

    /** @return array<string, mixed> */
    private static function linkRow(PersonLink $link): array
    {
        return [
            'id' => $link->id,
            'for' => People::whom($link),
            'renews' => $link->user_id !== null,
            'roleLabel' => $link->role?->label(),
            'by' => $link->maker?->name,
            'until' => $link->expires_at->toIso8601ZuluString(),
        ];
    }
}
