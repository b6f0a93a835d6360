<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Auth\Audit;
use App\Auth\Entry;
use App\Auth\NewPerson;
use App\Models\Happening;
use App\Models\Role;
use App\Models\SetupLink;
use App\Models\Workshop;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** Opening a workshop with its one-use link. */
final class SetUpController
{
    #[
        OA\Post(
            path: '/set-up',
            operationId: 'setUp',
            summary: 'Open a workshop with a one-use link; its lead technician is signed in.',
        ),
    ]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['token', 'workshop', 'name', 'email', 'password'],
                properties: [
                    new OA\Property(property: 'token', type: 'string'),
                    new OA\Property(property: 'workshop', type: 'string'),
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'email', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 201, description: 'Opened')]
    #[
        OA\Response(
            response: 422,
            description: 'The link is used up, or something is missing',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        abort_unless($request->hasSession(), 400, 'With a token there is nothing to sign in to.');
        $given = NewPerson::of($request, [
            'token' => ['required', 'string', 'size:48'],
            'workshop' => ['required', 'string', 'max:120'],
        ]);
        $lead = DB::transaction(function () use ($given) {
            SetupLink::use($given['token']) ||
                throw Refused::because(
                    '/token',
                    'This link has been used, is too old, or never was. Ask for a new one: bin/hollin set-up.',
                );

            return Workshop::query()
                ->create(['name' => $given['workshop']])
                ->users()
                ->create([
                    'name' => $given['name'],
                    'email' => $given['email'],
                    'role' => Role::Lead,
                    'password' => $given['password'],
                ]);
        });
        Audit::note(Happening::Opened, $lead);
        Entry::open($request, $lead);

        return response()->json(null, 201);
    }
}
