<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design;
use App\Auth\Audit;
use App\Http\DesignAnswer;
use App\Http\Page;
use App\Http\Requests\EditRequest;
use App\Models\Happening;
use App\Models\Revision;
use App\Models\RigJob;
use App\Models\User;
use App\Models\VehicleKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Jobs and their designs. */
final class JobController
{
    /** Revisions told at a time. */
    private const REVISIONS = 300;

    public function __construct(private readonly Design $design, private readonly DesignAnswer $answer) {}

    #[OA\Post(path: '/jobs', operationId: 'openJob', summary: 'Open a job.')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['title', 'kind'],
                properties: [
                    new OA\Property(property: 'title', type: 'string'),
                    new OA\Property(property: 'kind', type: 'string'),
                    new OA\Property(property: 'customer', type: 'string', nullable: true),
                    new OA\Property(
                        property: 'rig',
                        type: 'integer',
                        nullable: true,
                        description: 'one that came in before; kind and customer are then its own',
                    ),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'Opened',
            content: new OA\JsonContent(
                required: ['id'],
                properties: [new OA\Property(property: 'id', type: 'integer')],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Something is missing',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        Gate::authorize('create', RigJob::class);
        $given = $request->validate([
            'title' => ['required', 'string', 'max:160'],
            'kind' => ['required', Rule::enum(VehicleKind::class)],
            'customer' => ['nullable', 'string', 'max:120'],
            'rig' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
        ]);
        $user = User::of($request);
        if (isset($given['rig'])) {
            // Whose it is stands at the rig.
            $rig = $user->workshop->rigs()->findOrFail((int) $given['rig']);
            $job = $this->design->create($user, $given['title'], $rig->kind, $rig->customer_id, null, $rig);

            return response()->json(['id' => $job->id], 201);
        }
        $customer =
            ($given['customer'] ?? null) === null
                ? null
                : $user->workshop->customers()->firstOrCreate(['name' => $given['customer']])->id;
        $job = $this->design->create($user, $given['title'], $given['kind'], $customer);

        return response()->json(['id' => $job->id], 201);
    }

    #[
        OA\Get(
            path: '/jobs/{job}',
            operationId: 'job',
            summary: 'A job\'s design at its head, or at a revision, with the answers of the wanted views.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'revision', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Parameter(
            name: 'want',
            in: 'query',
            required: false,
            description: 'view ids, with commas; left out or empty, no view is worked out',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Parameter(
            name: 'have',
            in: 'query',
            required: false,
            description: 'hashes the client has, with commas',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The design',
            content: new OA\JsonContent(ref: '#/components/schemas/Design'),
        ),
    ]
    #[
        OA\Response(
            response: 404,
            description: 'No such job in this workshop',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(Request $request, RigJob $job): Response
    {
        Gate::authorize('view', $job);
        $number = $request->integer('revision') ?: $job->head;

        return $this->answer->of(
            $job,
            $job->revision($number),
            self::words($request->query('want')),
            self::words($request->query('have')),
        );
    }

    #[
        OA\Post(
            path: '/jobs/{job}/edits',
            operationId: 'edit',
            summary: 'Post an intent; the answer is the new design and its consequences.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/EditBody'))]
    #[OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Design'))]
    #[
        OA\Response(
            response: 409,
            description: 'Somebody changed the same place since',
            content: new OA\JsonContent(ref: '#/components/schemas/ConflictTrouble'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Refused, with where and what would be right',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function edit(EditRequest $request, RigJob $job): Response
    {
        [$revision, $notices] = $this->design->edit(
            $job,
            User::of($request),
            $request->uuid(),
            $request->base(),
            $request->intent(),
        );

        return $this->answer->of($job, $revision, $request->words('want'), $request->words('have'), $notices);
    }

    #[
        OA\Put(
            path: '/jobs/{job}/away',
            operationId: 'putAway',
            summary: 'Put a job away: it is in no list then; or take it out again. Nothing of it is lost. A lead\'s.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['away'],
                properties: [new OA\Property(property: 'away', type: 'boolean')],
            ),
        ),
    ]
    #[OA\Response(response: 204, description: 'Done')]
    #[
        OA\Response(
            response: 403,
            description: 'Not a lead',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function away(Request $request, RigJob $job): Response
    {
        Gate::authorize('putAway', $job);
        $away = (bool) $request->validate(['away' => ['required', 'boolean']])['away'];
        if (($job->away_at !== null) !== $away) {
            // What is put away is not changed by it.
            $job->timestamps = false;
            $job->update(['away_at' => $away ? now() : null]);
            Audit::note($away ? Happening::PutAway : Happening::TakenOut, User::of($request), [
                'job' => $job->id,
                'title' => $job->title,
            ]);
        }

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/jobs/{job}/undo',
            operationId: 'undo',
            summary: 'Take back one\'s own latest edit, or make again what was taken back.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/UndoBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Taken back',
            content: new OA\JsonContent(ref: '#/components/schemas/Design'),
        ),
    ]
    #[
        OA\Response(
            response: 409,
            description: 'Somebody touched the same since',
            content: new OA\JsonContent(ref: '#/components/schemas/ConflictTrouble'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Nothing to take back',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function undo(Request $request, RigJob $job): Response
    {
        Gate::authorize('survey', $job);
        $given = $request->validate([
            'uuid' => ['required', 'uuid'],
            'restore' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
            'redo' => ['boolean'],
            'want' => ['array', 'max:20'],
            'want.*' => ['string', 'max:120'],
            'have' => ['array', 'max:60'],
            'have.*' => ['string', 'max:40'],
        ]);
        if (isset($given['restore'])) {
            Gate::authorize('plan', $job);
        }
        $user = User::of($request);
        $revision = match (true) {
            isset($given['restore']) => $this->design->restore($job, $user, $given['uuid'], $given['restore']),
            $given['redo'] ?? false => $this->design->redo($job, $user, $given['uuid']),
            default => $this->design->undo($job, $user, $given['uuid']),
        };

        return $this->answer->of(
            $job,
            $revision,
            array_values($given['want'] ?? []),
            array_values($given['have'] ?? []),
        );
    }

    #[
        OA\Get(
            path: '/jobs/{job}/revisions',
            operationId: 'revisions',
            summary: 'The history in words, latest first, so many at a time.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Parameter(
            name: 'before',
            in: 'query',
            required: false,
            description: 'those before this revision',
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Revisions',
            content: new OA\JsonContent(
                required: ['revisions', 'more'],
                properties: [
                    new OA\Property(property: 'more', type: 'boolean', description: 'whether there are earlier ones'),
                    new OA\Property(
                        property: 'revisions',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/RevisionRow'),
                    ),
                ],
            ),
        ),
    ]
    public function revisions(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $revisions = $job
            ->revisions()
            ->with('user')
            ->when(
                $request->integer('before') > 0,
                fn($earlier) => $earlier->where('number', '<', min(2_147_483_647, $request->integer('before'))),
            )
            ->orderByDesc('number')
            ->limit(self::REVISIONS + 1)
            ->get(['id', 'rig_job_id', 'number', 'words', 'kind', 'undoes', 'user_id', 'created_at', 'sha256']);

        return response()->json(
            Page::of(
                'revisions',
                $revisions,
                self::REVISIONS,
                fn(Revision $r): array => [
                    'number' => $r->number,
                    'words' => $r->words,
                    'kind' => $r->kind,
                    'undoes' => $r->undoes,
                    'by' => $r->user?->name,
                    'at' => $r->created_at->toIso8601ZuluString(),
                    'sha256' => $r->sha256,
                ],
            ),
        );
    }

    /** @return list<string> */
    private static function words(mixed $text): array
    {
        return is_string($text) && $text !== '' ? array_slice(explode(',', $text), 0, 60) : [];
    }
}
