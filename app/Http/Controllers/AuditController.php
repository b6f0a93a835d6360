<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Page;
use App\Models\AuditEntry;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What was taken down of ways in, rights and exports. */
final class AuditController
{
    private const AT_A_TIME = 100;

    #[OA\Get(path: '/audit', operationId: 'audit', summary: 'The workshop\'s audit log, latest first.')]
    #[
        OA\Parameter(
            name: 'before',
            in: 'query',
            required: false,
            description: 'only what is earlier than this entry',
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Entries',
            content: new OA\JsonContent(
                required: ['entries', 'more'],
                properties: [
                    new OA\Property(property: 'more', type: 'boolean', description: 'whether there are earlier ones'),
                    new OA\Property(
                        property: 'entries',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/AuditEntry'),
                    ),
                ],
            ),
        ),
    ]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('manage', User::class);
        $before = $request->integer('before');
        $entries = AuditEntry::query()
            ->where('workshop_id', User::of($request)->workshop_id)
            ->when($before > 0, fn($query) => $query->where('id', '<', $before))
            ->with('user')
            ->orderByDesc('id')
            ->limit(self::AT_A_TIME + 1)
            ->get();

        return response()->json(
            Page::of(
                'entries',
                $entries,
                self::AT_A_TIME,
                fn(AuditEntry $entry): array => [
                    'id' => $entry->id,
                    'at' => $entry->at->toIso8601ZuluString(),
                    'who' => $entry->user?->name,
                    'what' => $entry->what->value,
                    'words' => $entry->words(),
                    'address' => $entry->address,
                ],
            ),
        );
    }
}
