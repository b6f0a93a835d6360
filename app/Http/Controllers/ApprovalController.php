<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Approve;
use App\Models\RigJob;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A lead's word that a plan is built as it stands. */
final class ApprovalController
{
    #[
        OA\Get(
            path: '/jobs/{job}/approvals',
            operationId: 'toApprove',
            summary: 'What is open in a plan at a revision: what has to be put right or named before it is built.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: true, schema: new OA\Schema(type: 'string'))]
    #[OA\Parameter(name: 'revision', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Open',
            content: new OA\JsonContent(
                required: ['revision', 'open'],
                properties: [
                    new OA\Property(property: 'revision', type: 'integer'),
                    new OA\Property(
                        property: 'open',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/OpenFinding'),
                    ),
                ],
            ),
        ),
    ]
    public function index(Request $request, RigJob $job, Approve $approve): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate([
            'plan' => ['required', 'string', 'max:60'],
            'revision' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
        ]);
        $revision = $request->integer('revision') ?: $job->head;

        return response()->json([
            'revision' => $revision,
            'open' => $approve->open($job, $revision, $request->string('plan')->toString()),
        ]);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/approvals',
            operationId: 'approve',
            summary: 'Let a plan be built as it stands at a revision. A danger that stays open needs a reason. ' .
                'Lead only.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ApprovalBody'))]
    #[
        OA\Response(
            response: 201,
            description: 'Approved',
            content: new OA\JsonContent(ref: '#/components/schemas/Approval'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'A danger without a reason, or no such plan',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request, RigJob $job, Approve $approve): JsonResponse
    {
        Gate::authorize('approve', $job);
        $given = $request->validate([
            'uuid' => ['required', 'uuid'],
            'revision' => ['required', 'integer', 'min:1', 'max:2147483647'],
            'plan' => ['required', 'string', 'max:60'],
            'open' => ['nullable', 'array', 'max:400'],
            'open.*' => ['nullable', 'string', 'max:500'],
            'words' => ['nullable', 'string', 'max:500'],
        ]);
        $approval = $approve(
            $job,
            User::of($request),
            $given['uuid'],
            (int) $given['revision'],
            $given['plan'],
            array_map(strval(...), $given['open'] ?? []),
            $given['words'] ?? null,
        );

        return response()->json($approval->load('user')->row(), 201);
    }
}
