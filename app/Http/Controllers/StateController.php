<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\StateRequest;
use App\Models\RigJob;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Solve\Spice;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** A rig with its controls set by hand: how it reacts, what flows, what a meter shows. */
final class StateController
{
    #[
        OA\Post(
            path: '/jobs/{job}/states',
            operationId: 'setByHand',
            summary: 'Set controls by hand: the story of what reacts, what is live, hazards of that state, load flow.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/StateBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'The state',
            content: new OA\JsonContent(ref: '#/components/schemas/StateAnswer'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such view, control, position or load',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function settle(StateRequest $request, RigJob $job): JsonResponse
    {
        return response()->json($request->state($job)->toArray(), 200, [], JSON_PRESERVE_ZERO_FRACTION);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/probe',
            operationId: 'probe',
            summary: 'What a meter shows in a state: volts, ohms, clamp, testers.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ProbeBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'The reading',
            content: new OA\JsonContent(ref: '#/components/schemas/Reading'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such point or function',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function probe(StateRequest $request, RigJob $job): JsonResponse
    {
        $reading = $request
            ->state($job)
            ->reading(
                $request->string('function')->toString(),
                $request->string('a')->toString(),
                $request->string('b')->toString(),
                $request->boolean('zeroed', true),
            );

        return response()->json($reading->toArray());
    }

    #[
        OA\Post(
            path: '/jobs/{job}/netlist',
            operationId: 'netlist',
            summary: 'The state as a SPICE netlist: side=ac or side=dc.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Parameter(
            name: 'side',
            in: 'query',
            required: true,
            schema: new OA\Schema(type: 'string', enum: ['ac', 'dc']),
        ),
    ]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/StateBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'The netlist',
            content: new OA\MediaType(mediaType: 'text/plain', schema: new OA\Schema(type: 'string')),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Sources are joined, or no such state',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function netlist(StateRequest $request, RigJob $job): Response
    {
        $flow = $request->state($job)->flow();
        if ($flow->trouble !== null) {
            throw Refused::because('/controls', $flow->trouble);
        }
        $title = "{$job->title}, {$request->string('view')}, revision {$job->head}";
        $side = $request->query('side') === 'dc' ? 'dc' : 'ac';

        return new Response($side === 'dc' ? Spice::dc($flow, $title) : Spice::ac($flow, $title), 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"state-{$side}.cir\"",
        ]);
    }
}
