<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People;
use App\Auth\Entry;
use App\Auth\GoodPassword;
use App\Auth\NewPerson;
use App\Models\PersonLink;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** In by a link that a lead technician has handed over: as somebody new, or with a new password. */
final class JoinController
{
    public function __construct(private readonly People $people) {}

    #[OA\Post(path: '/join/look', operationId: 'lookAtLink', summary: 'What a link is for.')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['token'],
                properties: [new OA\Property(property: 'token', type: 'string')],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What it is for',
            content: new OA\JsonContent(ref: '#/components/schemas/JoinLink'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Used, too old, or never was',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function look(Request $request): JsonResponse
    {
        $link = self::link($request);

        return response()->json([
            'workshop' => $link->workshop->name,
            'renews' => $link->user_id !== null,
            'name' => People::whom($link),
            'email' => $link->person?->email,
            'roleLabel' => $link->role?->label(),
        ]);
    }

    #[
        OA\Post(
            path: '/join',
            operationId: 'join',
            summary: 'Join with an invitation, or set a new password with a reset link; one is signed in then.',
        ),
    ]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['token', 'password'],
                properties: [
                    new OA\Property(property: 'token', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                    new OA\Property(property: 'name', type: 'string', description: 'of somebody new'),
                    new OA\Property(property: 'email', type: 'string', description: 'of somebody new'),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 201, description: 'In')]
    #[
        OA\Response(
            response: 422,
            description: 'The link is no good, or something is missing',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        abort_unless($request->hasSession(), 400, 'With a token there is nothing to sign in to.');
        $link = self::link($request);
        if ($link->person !== null) {
            $given = $request->validate([
                'password' => ['required', 'string', new GoodPassword([$link->person->name, $link->person->email])],
            ]);
            $person = $this->people->renew($link, $given['password']);
        } else {
            $given = NewPerson::of(
                $request,
                own: [$link->workshop->name],
                messages: [
                    'email.unique' => 'belongs to somebody already. Who has left is let in again by a lead technician.',
                ],
            );
            $person = $this->people->join($link, $given['name'], $given['email'], $given['password']);
        }
        Entry::open($request, $person);

        return response()->json(null, 201);
    }

    private static function link(Request $request): PersonLink
    {
        $given = $request->validate(['token' => ['required', 'string', 'max:200']]);

        return PersonLink::by($given['token']) ??
            throw Refused::because(
                '/token',
                'This link has been used, was taken back, is too old, or never was. Ask a lead technician for another.',
            );
    }
}
