<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Catalogue;
use App\Models\User;
use App\Models\Workshop;
use Hollin\Core\Parts\Offer;
use Hollin\Core\Parts\OfferList;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use stdClass;

/** Parts and prices of the workshop. */
final class CatalogueController
{
    public function __construct(private readonly Catalogue $catalogue) {}

    #[
        OA\Get(
            path: '/catalogue',
            operationId: 'catalogue',
            summary: 'Parts with what is written on them, weights and prices, and what an hour costs.',
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The catalogue',
            content: new OA\JsonContent(ref: '#/components/schemas/Catalogue'),
        ),
    ]
    public function index(Request $request): JsonResponse
    {
        return $this->answer(User::of($request)->workshop);
    }

    #[
        OA\Put(
            path: '/catalogue/terms',
            operationId: 'catalogueTerms',
            summary: 'What an hour of work costs, and in what currency.',
        ),
    ]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CatalogueTerms'))]
    #[
        OA\Response(
            response: 200,
            description: 'The catalogue',
            content: new OA\JsonContent(ref: '#/components/schemas/Catalogue'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'No such price',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function terms(Request $request): JsonResponse
    {
        Gate::authorize('price', User::class);
        $terms = $request->validate([
            'hour' => ['present', 'nullable', 'numeric', 'min:0', 'max:100000'],
            'currency' => ['present', 'nullable', 'string', 'max:8'],
        ]);
        $workshop = User::of($request)->workshop;
        $workshop->update(['hour_price' => $terms['hour'], 'currency' => $terms['currency'] ?? '']);

        return $this->answer($workshop);
    }

    #[
        OA\Put(
            path: '/catalogue/offers/{code}',
            operationId: 'putOffer',
            summary: 'Write an offer, over one that is there or as a new one.',
        ),
    ]
    #[OA\Parameter(name: 'code', in: 'path', required: true, schema: new OA\Schema(type: 'string'))]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CatalogueOffer'))]
    #[
        OA\Response(
            response: 200,
            description: 'The catalogue',
            content: new OA\JsonContent(ref: '#/components/schemas/Catalogue'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'What of it cannot be',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function put(Request $request, string $code): JsonResponse
    {
        Gate::authorize('price', User::class);
        $body = json_decode($request->getContent());
        if (!($body instanceof stdClass)) {
            throw Refused::because('', 'must be an offer: an object with kind and name.');
        }
        $workshop = User::of($request)->workshop;
        $this->catalogue->put($workshop, $code, $body);

        return $this->answer($workshop);
    }

    #[
        OA\Delete(
            path: '/catalogue/offers/{code}',
            operationId: 'dropOffer',
            summary: 'Take an offer out of the catalogue.',
        ),
    ]
    #[OA\Parameter(name: 'code', in: 'path', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The catalogue',
            content: new OA\JsonContent(ref: '#/components/schemas/Catalogue'),
        ),
    ]
    #[
        OA\Response(
            response: 404,
            description: 'No such offer',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function drop(Request $request, string $code): JsonResponse
    {
        Gate::authorize('price', User::class);
        $workshop = User::of($request)->workshop;
        abort_unless(isset($this->catalogue->offers($workshop)[$code]), 404, 'No such offer in the catalogue.');
        $this->catalogue->drop($workshop, $code);

        return $this->answer($workshop);
    }

    #[
        OA\Get(
            path: '/catalogue/file',
            operationId: 'catalogueFile',
            summary: 'The catalogue as comma-separated values (RFC 4180).',
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The catalogue',
            content: new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string')),
        ),
    ]
    public function file(Request $request): Response
    {
        return new Response(OfferList::written($this->catalogue->offers(User::of($request)->workshop)), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="catalogue.csv"',
        ]);
    }

    #[
        OA\Post(
            path: '/catalogue/file',
            operationId: 'readCatalogue',
            summary: 'Read a table of offers: what it names is written over, what it does not name stays.',
        ),
    ]
    #[OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/LoadListBody'))]
    #[
        OA\Response(
            response: 200,
            description: 'The catalogue',
            content: new OA\JsonContent(ref: '#/components/schemas/Catalogue'),
        ),
    ]
    #[
        OA\Response(
            response: 422,
            description: 'Rows that cannot be read, each with its reason; nothing is taken',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function read(Request $request): JsonResponse
    {
        Gate::authorize('price', User::class);
        $request->validate(['text' => ['required', 'string', 'max:2000000']]);
        $workshop = User::of($request)->workshop;
        $this->catalogue->read($workshop, $request->string('text')->toString());

        return $this->answer($workshop);
    }

    private function answer(Workshop $workshop): JsonResponse
    {
        $own = array_fill_keys($this->catalogue->own($workshop), true);

        return response()->json(
            [
                'hour' => $workshop->hour(),
                'currency' => $workshop->currency,
                'offers' => array_values(
                    array_map(
                        fn(Offer $o): array => [
                            'code' => $o->code,
                            'own' => isset($own[$o->code]),
                            'body' => $o->toBody(),
                        ],
                        $this->catalogue->offers($workshop),
                    ),
                ),
            ],
            200,
            [],
            JSON_PRESERVE_ZERO_FRACTION,
        );
    }
}
