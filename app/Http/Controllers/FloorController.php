<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\FloorSummary;
use App\Http\Page;
use App\Models\RigJob;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What is on the floor. */
final class FloorController
{
    /** Jobs told at a time. */
    private const JOBS = 200;

    #[OA\Get(path: '/jobs', operationId: 'jobs', summary: 'The workshop\'s jobs, latest first, so many at a time.')]
    #[
        OA\Parameter(
            name: 'after',
            in: 'query',
            required: false,
            description: 'how many to pass over',
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Parameter(
            name: 'find',
            in: 'query',
            required: false,
            description: 'words of the rig\'s or the customer\'s name',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Parameter(
            name: 'away',
            in: 'query',
            required: false,
            description: 'those that were put away instead',
            schema: new OA\Schema(type: 'integer', enum: [0, 1]),
        ),
    ]
    #[OA\Parameter(name: 'rig', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'customer', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Jobs',
            content: new OA\JsonContent(
                required: ['jobs', 'more'],
                properties: [
                    new OA\Property(property: 'more', type: 'boolean', description: 'whether there are further ones'),
                    new OA\Property(
                        property: 'jobs',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/JobRow'),
                    ),
                ],
            ),
        ),
    ]
    public function index(Request $request, FloorSummary $floor): JsonResponse
    {
        $find = $request->query('find');
        $words = is_string($find) ? (preg_split('/\s+/', trim($find), -1, PREG_SPLIT_NO_EMPTY) ?: []) : [];
        $jobs = User::of($request)
            ->workshop->rigJobs()
            ->with(['customer', 'rig'])
            ->when(
                $request->boolean('away'),
                fn(Builder $rows) => $rows->whereNotNull('away_at'),
                fn(Builder $rows) => $rows->whereNull('away_at'),
            )
            ->when(
                $request->integer('rig') > 0,
                fn(Builder $rows) => $rows->where('rig_id', min(2_147_483_647, $request->integer('rig'))),
            )
            ->when(
                $request->integer('customer') > 0,
                fn(Builder $rows) => $rows->where('customer_id', min(2_147_483_647, $request->integer('customer'))),
            )
            ->where(function (Builder $rows) use ($words): void {
                foreach (array_slice($words, 0, 8) as $word) {
                    $like = '%' . addcslashes(mb_substr($word, 0, 60), '%_\\') . '%';
                    $rows->where(
                        fn(Builder $either) => $either
                            ->where('title', 'ilike', $like)
                            ->orWhereHas('rig', fn(Builder $r) => $r->where('name', 'ilike', $like))
                            ->orWhereHas('customer', fn(Builder $c) => $c->where('name', 'ilike', $like)),
                    );
                }
            })
            ->orderByDesc('updated_at')
            ->orderByDesc('id')
            ->offset(max(0, min(1_000_000, $request->integer('after'))))
            ->limit(self::JOBS + 1)
            ->get();

        return response()->json(
            Page::of(
                'jobs',
                $jobs,
                self::JOBS,
                fn(RigJob $job): array => [
                    'id' => $job->id,
                    'title' => $job->title,
                    'kind' => $job->kind,
                    'customer' => $job->customer?->name,
                    'customerId' => $job->customer_id,
                    'rig' => $job->rig?->name,
                    'rigId' => $job->rig_id,
                    'revision' => $job->head,
                    'away' => $job->away_at !== null,
                    'changedAt' => $job->updated_at->toIso8601ZuluString(),
                ] + $floor->of($job),
            ),
        );
    }
}
