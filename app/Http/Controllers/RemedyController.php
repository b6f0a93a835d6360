<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeptProofs;
use App\Models\RigJob;
use Hollin\Core\Answers\Remedies;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What can be done about a finding, tried before it is offered. */
final class RemedyController
{
    #[
        OA\Get(
            path: '/jobs/{job}/remedies',
            operationId: 'remedies',
            summary: 'What can be done about a finding: each remedy tried on the plan, with what else it clears and ' .
                'brings, in the order of the work it costs.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Parameter(
            name: 'view',
            in: 'query',
            required: true,
            description: 'as_found, or plan/stage',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Parameter(
            name: 'finding',
            in: 'query',
            required: true,
            description: 'its id',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[OA\Parameter(name: 'revision', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'What helps, best first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Offer')),
        ),
    ]
    #[
        OA\Response(
            response: 404,
            description: 'No such job, view or finding',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function index(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $revision = $job->revision($request->integer('revision') ?: $job->head);
        $view = $request->query('view');
        $finding = $request->query('finding');
        $offers =
            is_string($view) && is_string($finding)
                ? (new Remedies($revision->decoded(), new KeptProofs()))->of($view, $finding)
                : null;

        return $offers === null
            ? response()->json(['message' => 'There is no such finding in that view.'], 404)
            : response()->json($offers);
    }
}
