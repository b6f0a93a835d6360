<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EraseCustomer;
use App\Models\Customer;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Customers, and erasing one on request. */
final class CustomerController
{
    public function __construct(private readonly EraseCustomer $erase) {}

    #[OA\Get(path: '/customers', operationId: 'customers', summary: 'The workshop\'s customers and their jobs.')]
    #[
        OA\Response(
            response: 200,
            description: 'Customers',
            content: new OA\JsonContent(
                required: ['customers'],
                properties: [
                    new OA\Property(
                        property: 'customers',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/Customer'),
                    ),
                ],
            ),
        ),
    ]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('manage', User::class);

        return response()->json([
            'customers' => User::of($request)
                ->workshop->customers()
                ->with(['rigJobs:id,customer_id,title'])
                ->orderBy('name')
                ->get()
                ->map(
                    fn(Customer $customer): array => [
                        'id' => $customer->id,
                        'name' => $customer->name,
                        'jobs' => $customer->rigJobs->map->only('id', 'title')->values()->all(),
                    ],
                )
                ->all(),
        ]);
    }

    #[
        OA\Get(
            path: '/customers/{customer}/traces',
            operationId: 'customerTraces',
            summary: 'Where a customer\'s name stands beside the customer\'s own entry.',
        ),
    ]
    #[OA\Parameter(name: 'customer', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Places',
            content: new OA\JsonContent(
                required: ['alsoNamedIn'],
                properties: [
                    new OA\Property(property: 'alsoNamedIn', type: 'array', items: new OA\Items(type: 'string')),
                ],
            ),
        ),
    ]
    public function traces(Request $request, int $customer): JsonResponse
    {
        return response()->json(['alsoNamedIn' => $this->erase->alsoNamedIn(self::managed($request, $customer))]);
    }

    #[
        OA\Post(
            path: '/customers/{customer}/erase',
            operationId: 'eraseCustomer',
            summary: 'Erase a customer: the name, photographs and printed sheets, and the jobs where that is said.',
        ),
    ]
    #[OA\Parameter(name: 'customer', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['name', 'jobs'],
                properties: [
                    new OA\Property(
                        property: 'name',
                        type: 'string',
                        description: 'the name once more, so that it is the right one',
                    ),
                    new OA\Property(property: 'jobs', type: 'string', enum: ['keep', 'remove']),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What went',
            content: new OA\JsonContent(
                required: ['jobs', 'photos', 'sheets'],
                properties: [
                    new OA\Property(property: 'jobs', type: 'integer'),
                    new OA\Property(property: 'photos', type: 'integer'),
                    new OA\Property(property: 'sheets', type: 'integer'),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Not the name, or not said what becomes of the jobs',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function erase(Request $request, int $customer): JsonResponse
    {
        $somebody = self::managed($request, $customer);
        $given = $request->validate(
            [
                'name' => ['required', 'string', Rule::in([$somebody->name])],
                'jobs' => ['required', 'in:keep,remove'],
            ],
            ['name.in' => 'is not the name of that customer; nothing was erased.'],
        );

        return response()->json(($this->erase)(User::of($request), $somebody, $given['jobs'] === 'remove'));
    }

    private static function managed(Request $request, int $customer): Customer
    {
        Gate::authorize('manage', User::class);

        return User::of($request)->workshop->customers()->findOrFail($customer);
    }
}
