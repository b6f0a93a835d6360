<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design;
use App\Auth\Audit;
use App\Http\DesignAnswer;
use App\Models\Happening;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Document\JobFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Job files out of a job and into one. */
final class JobFileController
{
    public function __construct(private readonly Design $design, private readonly DesignAnswer $answer) {}

    #[
        OA\Get(
            path: '/jobs/{job}/file',
            operationId: 'exportFile',
            summary: 'The job file: the design at its head, as stored.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'The job file',
            content: new OA\MediaType(mediaType: 'application/json', schema: new OA\Schema(type: 'object')),
        ),
    ]
    public function export(Request $request, RigJob $job): Response
    {
        Gate::authorize('view', $job);
        $revision = $job->revision($job->head);
        Audit::note(Happening::Exported, User::of($request), [
            'thing' => 'the job file',
            'job' => $job->id,
            'revision' => $revision->number,
        ]);
        $name = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($job->title)), '-') ?: 'job';

        return new Response($revision->document, 200, [
            'Content-Type' => 'application/json; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$name}-r{$revision->number}.json\"",
            'X-Content-SHA256' => $revision->sha256,
        ]);
    }

    #[OA\Post(path: '/jobs/{job}/file', operationId: 'importFile', summary: 'Bring a job file into an empty job.')]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'uuid', in: 'query', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\MediaType(mediaType: 'application/json', schema: new OA\Schema(type: 'object')),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Brought in',
            content: new OA\JsonContent(ref: '#/components/schemas/Design'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Unreadable, with JSON pointers; nothing was stored',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function import(Request $request, RigJob $job): Response
    {
        Gate::authorize('plan', $job);
        $request->validate(['uuid' => ['required', 'uuid']]);
        $document = JobFile::read($request->getContent());
        $revision = $this->design->import($job, User::of($request), (string) $request->query('uuid'), $document);
        Audit::note(Happening::Imported, User::of($request), ['job' => $job->id]);

        return $this->answer->of($job, $revision, [], []);
    }
}
