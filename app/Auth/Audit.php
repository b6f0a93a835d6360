<?php

declare(strict_types=1);

namespace App\Auth;

use App\Http\Middleware\RequestId;
use App\Models\AuditEntry;
use App\Models\Happening;
use App\Models\User;

/** Writes into the audit log. No secret is among the particulars: no password, no token, no typed address. */
final class Audit
{
    /** @param array<string, string|int|bool> $about */
    public static function note(Happening $what, ?User $who, array $about = []): void
    {
        $request = request();
        AuditEntry::query()->create([
            'at' => now(),
            'workshop_id' => $who?->workshop_id,
            'user_id' => $who?->id,
            'what' => $what,
            'about' => $about,
            'address' => app()->runningInConsole() && !app()->runningUnitTests() ? null : $request->ip(),
            'request' => $request->attributes->get(RequestId::class),
        ]);
    }
}
