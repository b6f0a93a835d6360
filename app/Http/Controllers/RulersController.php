<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\RulersRequest;
use App\Models\RigJob;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Every conductor against its device. */
final class RulersController
{
    #[
        OA\Post(
            path: '/jobs/{job}/rulers',
            operationId: 'rulers',
            summary: 'Every conductor: what it carries, its device, what it may carry, what a short delivers; with a ' .
                'component, as if its cable were of another size or length.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RulersBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Worst first',
            content: new OA\JsonContent(ref: '#/components/schemas/Rulers'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such view, part or size',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(RulersRequest $request, RigJob $job): JsonResponse
    {
        return response()->json($request->answer($job), 200, [], JSON_PRESERVE_ZERO_FRACTION);
    }
}
