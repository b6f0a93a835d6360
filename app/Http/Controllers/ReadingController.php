<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeReading;
use App\Models\Reading;
use App\Models\RigJob;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Build\Baseline;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Readings before anything is disconnected: what to read, what is expected, what was read. */
final class ReadingController
{
    #[
        OA\Get(
            path: '/jobs/{job}/baseline',
            operationId: 'baseline',
            summary: 'The readings to take before anything is disconnected, each with what is expected, and those ' .
                'taken.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Baseline',
            content: new OA\JsonContent(ref: '#/components/schemas/Baseline'),
        ),
    ]
    public function baseline(RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $rig = (new JobAnswers($job->revision($job->head)->decoded()))->rig('as_found');
        $readings = Reading::query()->with('user')->where('rig_job_id', $job->id)->orderBy('id')->get();

        return response()->json([
            'points' => $rig === null ? [] : array_map(fn(Baseline $b): array => $b->toArray(), Baseline::of($rig)),
            'readings' => $readings->map(fn(Reading $r): array => $r->row())->all(),
        ]);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/readings',
            operationId: 'addReading',
            summary: 'Record a reading. Readings are never changed; a second one stands beside the first.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ReadingBody'))]
    #[
        OA\Response(
            response: 201,
            description: 'Recorded',
            content: new OA\JsonContent(ref: '#/components/schemas/ReadingRow'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Not a reading of this rig',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request, RigJob $job, TakeReading $take): JsonResponse
    {
        Gate::authorize('survey', $job);
        $most = TakeReading::MOST;
        $given = $request->validate([
            'uuid' => ['required', 'uuid'],
            'what' => ['required', 'string', 'max:120'],
            'value' => ['nullable', 'numeric', "between:-{$most},{$most}", 'required_without:words'],
            'words' => ['nullable', 'string', 'max:120'],
            'instrument' => ['nullable', 'string', 'max:80'],
            'note' => ['nullable', 'string', 'max:500'],
        ]);
        $user = $request->user()?->getAuthIdentifier();
        $reading = $take($job, $job->head, is_numeric($user) ? (int) $user : null, $given);

        return response()->json($reading->load('user')->row(), 201);
    }
}
