<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Schedules;
use App\Models\RigJob;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The work laid along days, people and bays. */
final class ScheduleController
{
    public function __construct(private readonly Schedules $schedules) {}

    #[
        OA\Get(
            path: '/jobs/{job}/schedule',
            operationId: 'schedule',
            summary: 'What is left of a job along days and people: critical path, floats, when it is ready, and what ' .
                'slips when something is a day late.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Parameter(
            name: 'from',
            in: 'query',
            required: false,
            description: 'day it begins; today, or the day the rig comes, where left out',
            schema: new OA\Schema(type: 'string', format: 'date'),
        ),
    ]
    #[OA\Parameter(name: 'slips', in: 'query', required: false, schema: new OA\Schema(type: 'boolean'))]
    #[
        OA\Response(
            response: 200,
            description: 'Schedule',
            content: new OA\JsonContent(ref: '#/components/schemas/Schedule'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No plan, or something that can never be done',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function show(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $given = $request->validate([
            'plan' => ['nullable', 'string', 'max:60'],
            'from' => ['nullable', 'date_format:Y-m-d'],
            'slips' => ['nullable', 'in:0,1,true,false'],
        ]);

        return response()->json(
            $this->schedules->of($job, $given['plan'] ?? '', $given['from'] ?? null, $request->boolean('slips')),
        );
    }

    #[
        OA\Get(
            path: '/jobs/{job}/calendar',
            operationId: 'calendar',
            summary: 'The schedule of a job as iCalendar (RFC 5545).',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Parameter(name: 'plan', in: 'query', required: false, schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 200, description: 'iCalendar', content: new OA\MediaType(mediaType: 'text/calendar'))]
    public function calendar(Request $request, RigJob $job): Response
    {
        Gate::authorize('view', $job);
        $given = $request->validate(['plan' => ['nullable', 'string', 'max:60']]);

        return response($this->schedules->calendar($job, $given['plan'] ?? ''), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"job-{$job->id}.ics\"",
        ]);
    }

    #[
        OA\Get(
            path: '/floor',
            operationId: 'floor',
            summary: 'Every approved job that is not done, along days, people and bays.',
        ),
    ]
    #[OA\Response(response: 200, description: 'Floor', content: new OA\JsonContent(ref: '#/components/schemas/Floor'))]
    public function floor(Request $request): JsonResponse
    {
        return response()->json($this->schedules->floor(User::of($request)->workshop));
    }

    #[
        OA\Put(
            path: '/jobs/{job}/dates',
            operationId: 'setDates',
            summary: 'The days on which the rig is brought and fetched.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/DatesBody'))]
    #[OA\Response(response: 204, description: 'Kept')]
    #[
        OA\Response(
            response: 422,
            description: 'No days, or fetched before it is brought',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function dates(Request $request, RigJob $job): Response
    {
        Gate::authorize('plan', $job);
        $given = $request->validate([
            'comesOn' => ['present', 'nullable', 'date_format:Y-m-d'],
            'goesOn' => [
                'present',
                'nullable',
                'date_format:Y-m-d',
                ...$request->filled('comesOn') ? ['after_or_equal:comesOn'] : [],
            ],
        ]);
        $job->fill(['comes_on' => $given['comesOn'], 'goes_on' => $given['goesOn']])->save();

        return response()->noContent();
    }

    #[
        OA\Get(
            path: '/workshop/hours',
            operationId: 'hours',
            summary: 'Working days and hours, closed days, bays, and where the workshop is (for the sun).',
        ),
    ]
    #[OA\Response(response: 200, description: 'Hours', content: new OA\JsonContent(ref: '#/components/schemas/Hours'))]
    public function hours(Request $request): JsonResponse
    {
        $workshop = User::of($request)->workshop;

        return response()->json($workshop->open()->toArray() + ['bays' => $workshop->bays]);
    }

    #[OA\Put(path: '/workshop/hours', operationId: 'setHours', summary: 'Set the working days and hours. Lead only.')]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/HoursBody'))]
    #[OA\Response(response: 200, description: 'Hours', content: new OA\JsonContent(ref: '#/components/schemas/Hours'))]
    #[
        OA\Response(
            response: 422,
            description: 'Hours that overlap or end before they begin',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function setHours(Request $request): JsonResponse
    {
        Gate::authorize('manage', User::class);
        $given = $request->validate([
            'week' => ['present', 'array', 'max:7'],
            'week.*' => ['array', 'max:6'],
            'week.*.*' => ['array', 'size:2'],
            'week.*.*.*' => ['integer', 'min:0', 'max:1440'],
            'closed' => ['nullable', 'array', 'max:400'],
            'closed.*' => ['date_format:Y-m-d'],
            'latitude' => ['required', 'numeric', 'between:-66,66'],
            'longitude' => ['required', 'numeric', 'between:-180,180'],
            'bays' => ['required', 'integer', 'between:1,50'],
        ]);
        $workshop = User::of($request)->workshop;
        $this->schedules->setHours($workshop, $given);

        return response()->json($workshop->open()->toArray() + ['bays' => $workshop->bays]);
    }
}
