<?php

declare(strict_types=1);

namespace App\Auth;

use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** Name, e-mail and password of somebody new, as they come with a request. */
final class NewPerson
{
    /**
     * @param array<string, mixed> $also rules for what else comes with it
     * @param list<string> $own words that the password must not be made of
     * @param array<string, string> $messages
     * @return array<string, string>
     */
    public static function of(Request $request, array $also = [], array $own = [], array $messages = []): array
    {
        // One address is one person, however its letters are written.
        if (is_string($request->input('email'))) {
            $request->merge(['email' => Str::lower($request->string('email')->toString())]);
        }

        return $request->validate(
            [
                ...$also,
                'name' => ['required', 'string', 'max:120'],
                'email' => ['required', 'email', 'max:190', 'unique:users,email'],
                'password' => ['required', 'string', new GoodPassword($own)],
            ],
            $messages,
        );
    }
}
