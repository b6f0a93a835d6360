<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\WriteLog;
use App\Models\LogEntry;
use App\Models\RigJob;
use App\Models\User;
use Carbon\CarbonImmutable;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The logbook of a job: lines are taken in from tablets that were without a signal, and read. */
final class LogController
{
    #[
        OA\Get(
            path: '/jobs/{job}/log',
            operationId: 'log',
            summary: 'Lines of the logbook behind a number, in the order in which they came, 500 at a time.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'after', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Lines',
            content: new OA\JsonContent(ref: '#/components/schemas/LogLines'),
        ),
    ]
    public function index(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $lines = LogEntry::query()
            ->with('user')
            ->where('rig_job_id', $job->id)
            ->where('number', '>', max(0, min(2_147_483_647, $request->integer('after'))))
            ->orderBy('number')
            ->limit(WriteLog::MOST)
            ->get();

        return response()->json([
            'lines' => $lines->map(fn(LogEntry $e): array => $e->row())->all(),
            'last' => (int) LogEntry::query()->where('rig_job_id', $job->id)->max('number'),
        ]);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/log',
            operationId: 'writeLog',
            summary: 'Write lines into the logbook. Each is taken once by its UUID, however often it is sent; a ' .
                'bad one ' .
                'is told and keeps none of the others out.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/LogBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Taken',
            content: new OA\JsonContent(ref: '#/components/schemas/LogTaken'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No lines, or too many',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request, RigJob $job, WriteLog $write): JsonResponse
    {
        Gate::authorize('survey', $job);
        $given = $request->validate([
            'tablet' => ['required', 'string', 'max:40', 'regex:/^[A-Za-z0-9-]+$/D'],
            'revision' => ['required', 'integer', 'min:1', 'max:2147483647'],
            'sentAt' => ['required', 'string', 'regex:/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,9})?Z$/D', 'date'],
            'for' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
            'entries' => ['required', 'array', 'min:1', 'max:' . WriteLog::MOST],
        ]);
        $job->revision((int) $given['revision']);
        // Read once more as objects: an empty one must not become a list.
        $body = json_decode((string) $request->getContent());
        $lines = is_array($body->entries ?? null) ? array_values($body->entries) : [];
        if ($lines === []) {
            throw Refused::because('/entries', 'must be a list of lines.');
        }

        return response()->json(
            $write(
                $job,
                User::of($request)->inNameOf(isset($given['for']) ? (int) $given['for'] : null),
                $given['tablet'],
                (int) $given['revision'],
                CarbonImmutable::parse($given['sentAt']),
                $lines,
            ),
        );
    }
}
