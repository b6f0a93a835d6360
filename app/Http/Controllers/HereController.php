<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\RigJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Seeing each other: who else has the job open, and what happened to it since. */
final class HereController
{
    /** A page that has not been heard of for so long is gone, s. */
    public const GONE_S = 12;

    #[
        OA\Post(
            path: '/jobs/{job}/here',
            operationId: 'here',
            summary: 'I am here: where I look; the answer is who else is, the head, and what changed since my ' .
                'revision.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/HereBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'Who is here',
            content: new OA\JsonContent(ref: '#/components/schemas/Here'),
        ),
    ]
    public function store(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $given = $request->validate([
            'tab' => ['required', 'string', 'max:40'],
            'revision' => ['required', 'integer', 'min:1', 'max:2147483647'],
            'place' => ['required', 'string', 'max:40'],
            'about' => ['nullable', 'string', 'max:120'],
            'leaving' => ['nullable', 'boolean'],
        ]);
        $user = (int) $request->user()?->getAuthIdentifier();
        if ($given['leaving'] ?? false) {
            DB::table('presences')
                ->where('rig_job_id', $job->id)
                ->where('tab', $given['tab'])
                ->where('user_id', $user)
                ->delete();
        } else {
            DB::table('presences')->upsert(
                [
                    'rig_job_id' => $job->id,
                    'user_id' => $user,
                    'tab' => $given['tab'],
                    'place' => $given['place'],
                    'about' => $given['about'] ?? null,
                    'seen_at' => now(),
                ],
                ['rig_job_id', 'user_id', 'tab'],
                ['place', 'about', 'seen_at'],
            );
        }
        $since = now()->subSeconds(self::GONE_S);
        $people = DB::table('presences')
            ->join('users', 'users.id', '=', 'presences.user_id')
            ->where('rig_job_id', $job->id)
            ->where('seen_at', '>', $since)
            ->whereNot(fn($own) => $own->where('tab', $given['tab'])->where('user_id', $user))
            ->orderBy('users.name')
            ->get(['users.id', 'users.name', 'place', 'about']);
        $changes =
            $job->head > $given['revision']
                ? $job
                    ->revisions()
                    ->with('user')
                    ->where('number', '>', $given['revision'])
                    ->orderBy('number')
                    ->limit(50)
                    ->get(['id', 'rig_job_id', 'number', 'words', 'user_id'])
                    ->map(fn($r): array => ['number' => $r->number, 'words' => $r->words, 'by' => $r->user?->name])
                    ->all()
                : [];

        return response()->json([
            'head' => $job->head,
            'people' => $people
                ->map(
                    fn(object $p): array => [
                        'id' => $p->id,
                        'name' => $p->name,
                        'place' => $p->place,
                        'about' => $p->about,
                        'self' => $p->id === $user,
                    ],
                )
                ->all(),
            'changes' => $changes,
        ]);
    }
}
