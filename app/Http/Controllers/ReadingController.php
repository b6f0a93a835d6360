<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Reading;
use App\Models\RigJob;
use Hollin\Core\Answers\Baseline;
use Hollin\Core\Answers\JobAnswers;
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
            'readings' => $readings->map(self::row(...))->all(),
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
    public function store(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('survey', $job);
        $given = $request->validate([
            'uuid' => ['required', 'uuid'],
            'what' => ['required', 'string', 'max:40'],
            'value' => ['nullable', 'numeric', 'between:-100000,100000', 'required_without:words'],
            'words' => ['nullable', 'string', 'max:120'],
            'instrument' => ['nullable', 'string', 'max:80'],
            'note' => ['nullable', 'string', 'max:500'],
        ]);
        $before = Reading::query()->where('rig_job_id', $job->id)->where('uuid', $given['uuid'])->first();
        if ($before !== null) {
            return response()->json(self::row($before), 201);
        }
        $rig = (new JobAnswers($job->revision($job->head)->decoded()))->rig('as_found');
        $point = $rig === null ? null : array_column(Baseline::of($rig), null, 'id')[$given['what']] ?? null;
        if ($point === null) {
            throw \Hollin\Core\Plan\Refused::because('/what', 'is not one of this rig\'s baseline readings.');
        }
        $reading = Reading::query()->create([
            'rig_job_id' => $job->id,
            'user_id' => $request->user()?->getAuthIdentifier(),
            'uuid' => $given['uuid'],
            'revision' => $job->head,
            'what' => $point->id,
            'view' => 'as_found',
            'state' => $point->state,
            'function' => $point->function,
            'point_a' => $point->a,
            'point_b' => $point->b === '' ? null : $point->b,
            'value' => $given['value'] ?? null,
            'words' => $given['words'] ?? null,
            'unit' => $point->unit,
            'instrument' => $given['instrument'] ?? null,
            'note' => $given['note'] ?? null,
            'expected' => json_encode($point->toArray(), JSON_THROW_ON_ERROR),
        ]);

        return response()->json(self::row($reading->load('user')), 201);
    }

    /** @return array<string, mixed> */
    private static function row(Reading $reading): array
    {
        $point = Baseline::fromArray((array) json_decode($reading->expected, true));
        $value = $reading->value === null ? null : (float) $reading->value;

        return [
            'id' => $reading->id,
            'what' => $reading->what,
            'revision' => $reading->revision,
            'value' => $value,
            'words' => $reading->words,
            'unit' => $reading->unit,
            'verdict' => $point->verdict($value, $reading->words),
            'instrument' => $reading->instrument,
            'note' => $reading->note,
            'by' => $reading->user?->name,
            'at' => $reading->created_at->toIso8601ZuluString(),
        ];
    }
}
