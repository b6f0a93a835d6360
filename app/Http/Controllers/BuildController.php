<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Builds;
use App\Models\LogEntry;
use App\Models\RigJob;
use Carbon\CarbonImmutable;
use Hollin\Core\Build\Label;
use Hollin\Core\Build\LabelSheets;
use Hollin\Core\Build\LabelStock;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The work of a job: its steps in order, and how they stand. */
final class BuildController
{
    public function __construct(private readonly Builds $builds) {}

    #[
        OA\Get(
            path: '/jobs/{job}/build',
            operationId: 'build',
            summary: 'The work of the approved plan, or of a plan as it stands now (draft): steps, their order and ' .
                'reasons, settings, labels, what is missing; how each step stands by the logbook, and what is open.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Parameter(
            name: 'draft',
            in: 'query',
            required: false,
            description: 'look at the plan as it stands now, approved or not',
            schema: new OA\Schema(type: 'boolean'),
        ),
    ]
    #[OA\Response(response: 200, description: 'Work', content: new OA\JsonContent(ref: '#/components/schemas/Build'))]
    #[
        OA\Response(
            response: 422,
            description: 'No such plan',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate(['plan' => ['nullable', 'string', 'max:60'], 'draft' => ['nullable', 'in:0,1,true,false']]);
        [$revision, $plan, $approval] = $this->asked($request, $job);
        $answer = $this->builds->answer($job->revision($revision), $plan);
        $log = $this->builds->logbook($job, $answer);
        $now = $revision === $job->head ? $answer : null;
        if ($now === null && isset($job->revision($job->head)->decoded()->plans->{$plan})) {
            $now = $this->builds->answer($job->revision($job->head), $plan);
        }
        $changed = [];
        foreach ($now === null ? [] : $now->work->steps as $id => $step) {
            $was = $answer->work->steps[$id] ?? null;
            if ($was === null || $was->mark() !== $step->mark()) {
                $changed[] = ['step' => $id, 'title' => $step->title, 'new' => $was === null];
            }
        }
        $gone = array_values(
            array_map(
                fn($s): string => $s->title,
                $now === null ? [] : array_diff_key($answer->work->steps, $now->work->steps),
            ),
        );

        return response()->json(
            [
                'job' => $job->id,
                'revision' => $revision,
                'head' => $job->head,
                'approval' => $approval?->row(),
                'draft' => $approval === null || $approval->revision !== $revision,
                'since' => ['changed' => $changed, 'gone' => $gone],
                'last' => (int) LogEntry::query()->where('rig_job_id', $job->id)->max('number'),
                'comesOn' => $job->comes_on,
                'goesOn' => $job->goes_on,
                'stocks' => array_combine(
                    array_column(LabelStock::cases(), 'value'),
                    array_map(fn(LabelStock $s): string => $s->label(), LabelStock::cases()),
                ),
            ] +
                $answer->toArray($this->builds->times($job)) +
                $answer->stands($log, CarbonImmutable::now($job->workshop->timezone ?? 'UTC')->toDateString()),
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    #[
        OA\Get(
            path: '/jobs/{job}/as-built',
            operationId: 'asBuilt',
            summary: 'The rig as far as the logbook has it built: its answer, and part by part what was found, ' .
                'designed and built.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'As built',
            content: new OA\JsonContent(ref: '#/components/schemas/AsBuilt'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such plan',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function asBuilt(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate(['plan' => ['nullable', 'string', 'max:60']]);
        [$revision, $plan] = $this->asked($request, $job);
        $answer = $this->builds->answer($job->revision($revision), $plan);

        return response()->json(
            $answer->asBuilt($job->revision($revision)->decoded(), $this->builds->logbook($job, $answer)),
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    #[
        OA\Get(
            path: '/jobs/{job}/build/walls',
            operationId: 'buildWalls',
            summary: 'The rig of the work as it is drawn, as found and after each stage, for a tablet that goes ' .
                'without a signal: what stands where, in no state.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[OA\Parameter(name: 'draft', in: 'query', required: false, schema: new OA\Schema(type: 'boolean'))]
    #[
        OA\Response(
            response: 200,
            description: 'Walls',
            content: new OA\JsonContent(ref: '#/components/schemas/BuildWalls'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such plan',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function walls(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $request->validate(['plan' => ['nullable', 'string', 'max:60'], 'draft' => ['nullable', 'in:0,1,true,false']]);
        [$revision, $plan] = $this->asked($request, $job);
        $document = $job->revision($revision)->decoded();

        return response()->json(
            [
                'revision' => $revision,
                'plan' => $plan,
                'walls' => $this->builds->answer($job->revision($revision), $plan)->walls($document),
            ],
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @return array{int, string, ?\App\Models\Approval} revision, plan, and the approval it hangs on
     * @throws Refused when the job has no plan
     */
    private function asked(Request $request, RigJob $job): array
    {
        $plan = $request->string('plan')->toString();
        $approval = $this->builds->approval($job, $plan === '' ? null : $plan);
        if ($approval !== null && !$request->boolean('draft')) {
            return [$approval->revision, $approval->plan, $approval];
        }
        $plans = array_keys(get_object_vars($job->revision($job->head)->decoded()->plans));
        if ($plan === '') {
            $plan =
                (string) ($approval->plan ??
                    ($plans[0] ?? throw Refused::because('/plan', 'This job has no plan yet.')));
        }

        return [$job->head, $plan, $approval];
    }

    #[
        OA\Get(
            path: '/jobs/{job}/labels',
            operationId: 'labels',
            summary: 'The labels of a plan for a label machine (form csv) or a page for a sheet of labels (form svg).',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Parameter(
            name: 'form',
            in: 'query',
            required: true,
            schema: new OA\Schema(type: 'string', enum: ['csv', 'svg']),
        ),
    ]
    #[OA\Parameter(name: 'stock', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[OA\Parameter(name: 'page', in: 'query', required: false, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 200, description: 'Labels', content: new OA\MediaType(mediaType: 'text/csv'))]
    #[
        OA\Response(
            response: 422,
            description: 'No such plan, stock or page',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function labels(Request $request, RigJob $job): Response
    {
        Gate::authorize('view', $job);
        $request->validate([
            'plan' => ['nullable', 'string', 'max:60'],
            'form' => ['required', 'in:csv,svg'],
            'stock' => ['nullable', 'string', 'max:20'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100'],
        ]);
        [$revision, $plan] = $this->asked($request, $job);
        $labels = [];
        foreach ($this->builds->answer($job->revision($revision), $plan)->stages as $stage) {
            foreach ($stage['labels'] as $label) {
                $labels[] = new Label(...$label);
            }
        }
        if ($request->query('form') === 'csv') {
            return response(LabelSheets::csv($labels), 200, [
                'Content-Type' => 'text/csv; charset=utf-8',
                'Content-Disposition' => "attachment; filename=\"labels-{$job->id}-r{$revision}.csv\"",
            ]);
        }
        $stock =
            LabelStock::tryFrom($request->string('stock', LabelStock::Letter30->value)->toString()) ??
            throw Refused::because(
                '/stock',
                'must be one of: ' . implode(', ', array_column(LabelStock::cases(), 'value')) . '.',
            );
        $pages = LabelSheets::svg($labels, $stock);
        $page =
            $pages[$request->integer('page', 1) - 1] ??
            throw Refused::because('/page', sprintf('There are %d pages.', count($pages)));

        return response($page, 200, [
            'Content-Type' => 'image/svg+xml',
            'Content-Disposition' => "inline; filename=\"labels-{$job->id}-r{$revision}.svg\"",
            'X-Pages' => (string) count($pages),
        ]);
    }
}
