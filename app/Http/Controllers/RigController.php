<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rig;
use App\Models\RigJob;
use App\Models\User;
use App\Models\VehicleKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Rigs, each with the jobs done on it. */
final class RigController
{
    #[OA\Get(path: '/rigs/{rig}', operationId: 'rig', summary: 'A rig that comes in; its jobs are found by it.')]
    #[OA\Parameter(name: 'rig', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'The rig',
            content: new OA\JsonContent(ref: '#/components/schemas/RigRow'),
        ),
    ]
    #[
        OA\Response(
            response: 404,
            description: 'No such rig in this workshop',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(Request $request, int $rig): JsonResponse
    {
        return response()->json(self::told(self::own($request, $rig)));
    }

    #[OA\Post(path: '/rigs/{rig}', operationId: 'setRig', summary: 'Name a rig, say what it is and what to remember.')]
    #[OA\Parameter(name: 'rig', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'kind', type: 'string'),
                    new OA\Property(property: 'note', type: 'string'),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'As it is now',
            content: new OA\JsonContent(ref: '#/components/schemas/RigRow'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Something is missing',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function update(Request $request, int $rig): JsonResponse
    {
        $own = self::own($request, $rig);
        Gate::authorize('create', RigJob::class);
        $own->update(
            $request->validate([
                'name' => ['sometimes', 'required', 'string', 'max:160'],
                'kind' => ['sometimes', 'required', Rule::enum(VehicleKind::class)],
                'note' => ['sometimes', 'present', 'string', 'max:2000'],
            ]),
        );

        return response()->json(self::told($own));
    }

    /** @return array<string, mixed> */
    private static function told(Rig $rig): array
    {
        return [
            'id' => $rig->id,
            'name' => $rig->name,
            'kind' => $rig->kind,
            'note' => $rig->note,
            'customer' => $rig->customer?->name,
            'customerId' => $rig->customer_id,
        ];
    }

    private static function own(Request $request, int $rig): Rig
    {
        return User::of($request)->workshop->rigs()->with('customer')->findOrFail(min(2_147_483_647, $rig));
    }
}
