<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Catalogue;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Parts\Costs;
use Hollin\Core\Parts\TakeOff;
use Hollin\Core\Parts\Wishes;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use stdClass;

/** What a plan takes: parts, cable cut from stock, lugs, fuses, labels. */
final class PartsController
{
    public function __construct(private readonly Catalogue $catalogue) {}

    #[
        OA\Get(
            path: '/jobs/{job}/parts',
            operationId: 'parts',
            summary: 'What a plan takes beside what is there: parts, cable by run cut from stock, lugs, fuses, labels.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'view', in: 'query', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Parameter(
            name: 'stockM',
            in: 'query',
            required: false,
            schema: new OA\Schema(type: 'number', minimum: 0.5, maximum: 200),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The list',
            content: new OA\JsonContent(ref: '#/components/schemas/TakeOff'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such view, or no such stock',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate([
            'view' => ['required', 'string', 'max:120'],
            'stockM' => ['nullable', 'numeric', 'min:0.5', 'max:200'],
        ]);
        $document = $job->revision($job->head)->decoded();
        $answers = new JobAnswers($document);
        $rig = $answers->seen($request->string('view')->toString());
        $workshop = User::of($request)->workshop;
        $taken = new TakeOff($answers->seen('as_found')->graph, $rig->graph);
        $list = $taken->toArray($request->float('stockM', 7.62));
        $needs = $document->needs;
        $costs = new Costs(
            $this->catalogue->offers($workshop),
            Wishes::of($needs->unit ?? null),
            array_map(strval(...), get_object_vars($needs->chosen ?? new stdClass())),
            $workshop->hour(),
        );

        return response()->json(
            $list + [
                'currency' => $workshop->currency,
                'costs' => $costs->of($list, $taken->fresh()),
                'choices' => $costs->choices($taken->fresh()),
            ],
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }
}
