<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\StayRequest;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Needs\LoadList;
use Hollin\Core\Needs\MonitorLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use stdClass;

/** What must run, over the days of a stay. */
final class StayController
{
    #[
        OA\Post(
            path: '/jobs/{job}/stay',
            operationId: 'stay',
            summary: 'The days of a stay: charge, sun, use by quarters of an hour, what owners ask, sizes that follow.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/StayBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'The stay',
            content: new OA\JsonContent(ref: '#/components/schemas/Stay'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such view',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(StayRequest $request, RigJob $job): JsonResponse
    {
        return response()->json(
            $request
                ->stay($job)
                ->toArray(
                    fn(float $share): bool => connection_aborted() === 0,
                    $request->string('from', 'days')->toString(),
                    $request->filled('value') ? $request->float('value') : null,
                ),
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    #[
        OA\Post(
            path: '/jobs/{job}/alternatives',
            operationId: 'alternatives',
            summary: 'The same days with another bank, other panels or a generator: how long, at what cost and weight.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AlternativesBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Beside one another',
            content: new OA\JsonContent(ref: '#/components/schemas/Alternatives'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such view, no bank in it, or a way that cannot be',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function alternatives(StayRequest $request, RigJob $job): JsonResponse
    {
        return response()->json(
            ['ways' => $request->alternatives($job), 'currency' => User::of($request)->workshop->currency],
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    #[
        OA\Get(
            path: '/jobs/{job}/loads',
            operationId: 'loadList',
            summary: 'The loads of the day as comma-separated values (RFC 4180).',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'The list',
            content: new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string')),
        ),
    ]
    public function export(RigJob $job): Response
    {
        Gate::authorize('view', $job);
        $needs = $job->revision($job->head)->decoded()->needs;

        return new Response(LoadList::written($needs->loads ?? new stdClass()), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="loads.csv"',
        ]);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/loads',
            operationId: 'readLoadList',
            summary: 'Reads a list of loads and gives it back as the needs take it; nothing is stored.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/LoadListBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Loads by id',
            content: new OA\JsonContent(ref: '#/components/schemas/LoadListRead'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Rows that cannot be read, each with its reason',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function read(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate(['text' => ['required', 'string', 'max:100000']]);

        return response()->json(['loads' => LoadList::read($request->string('text')->toString())]);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/monitor-log',
            operationId: 'readMonitorLog',
            summary: 'Reads the log of a battery monitor and gives back what was taken by the hour; nothing is stored.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/LoadListBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'By the hour',
            content: new OA\JsonContent(ref: '#/components/schemas/MonitorLog'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Rows that cannot be read, each with its reason',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function readLog(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate(['text' => ['required', 'string', 'max:8000000']]);

        return response()->json(MonitorLog::read($request->string('text')->toString()));
    }
}
