<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\RankLooks;
use App\Models\RigJob;
use Hollin\Core\Answers\JobAnswers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What to look at first in a survey. */
final class LooksController
{
    /** Plans that count beside the rig as found. */
    private const PLANS = 2;

    #[
        OA\Get(
            path: '/jobs/{job}/looks',
            operationId: 'looks',
            summary: 'Assumed values by what they could flip, the weightiest first; worked out in the background, so ' .
                'ask again while it is working.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Ranked, or still working',
            content: new OA\JsonContent(ref: '#/components/schemas/Looks'),
        ),
    ]
    public function index(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $answers = new JobAnswers($job->revision($job->head)->decoded());
        $views = ['as_found', ...array_slice($answers->ends(), 0, self::PLANS)];
        $key = RankLooks::key($answers, $views);
        $cache = Cache::store();
        $known = $cache->get($key);
        if (is_string($known)) {
            return JsonResponse::fromJsonString($known);
        }
        if ($cache->add("{$key}:asked", true, 120)) {
            RankLooks::dispatch($job->id, $job->head, $views, $key)
                ->onQueue(RankLooks::QUEUE)
                ->delay(RankLooks::SETTLES_S);
        }

        return response()->json([
            'status' => 'working',
            'percent' => (int) ($cache->get("{$key}:percent") ?? 0),
            'all' => false,
            'looks' => [],
        ]);
    }
}
