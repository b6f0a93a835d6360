<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlaceRequest;
use App\Models\RigJob;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Where things stand: what fits, what it weighs on coupler and axles, heat. */
final class PlaceController
{
    #[
        OA\Post(
            path: '/jobs/{job}/place',
            operationId: 'place',
            summary: 'The rig on its supports before and after, what fits in which zone, heat, distances; with some ' .
                'things moved, as if they stood there.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PlaceBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Places',
            content: new OA\JsonContent(ref: '#/components/schemas/Places'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such view, or a place outside the rig',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(PlaceRequest $request, RigJob $job): JsonResponse
    {
        return response()->json($request->answer($job)->toArray(), 200, [], JSON_PRESERVE_ZERO_FRACTION);
    }
}
