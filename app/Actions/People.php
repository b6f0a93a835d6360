<?php

declare(strict_types=1);

namespace App\Actions;

use App\Auth\Audit;
use App\Auth\Entry;
use App\Auth\OneUse;
use App\Auth\SignIns;
use App\Models\Happening;
use App\Models\PersonLink;
use App\Models\Role;
use App\Models\User;
use App\Models\Workshop;
use Hollin\Core\Plan\Refused;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Who is of a workshop and as what. Whoever leaves keeps the name on what was done, and no way in. */
final class People
{
    public function __construct(private readonly SignIns $signIns) {}

    /** @return array{PersonLink, string} the link and its token, which is told this once */
    public function invite(User $by, string $name, Role $role): array
    {
        return DB::transaction(function () use ($by, $name, $role): array {
            $made = self::link($by->workshop, $by, ['name' => $name, 'role' => $role], PersonLink::INVITATION_H);
            Audit::note(Happening::Invited, $by, ['name' => $name, 'role' => $role->spoken()]);

            return $made;
        });
    }

    /**
     * A link with which somebody sets a new password; an earlier one is no good any more.
     *
     * @return array{PersonLink, string}
     */
    public function reset(?User $by, User $person): array
    {
        if ($person->left_at !== null) {
            throw Refused::because('/person', "{$person->name} has left. Let the person in again first.");
        }

        return DB::transaction(function () use ($by, $person): array {
            self::takeBackLinks(['user_id' => $person->id]);
            $made = self::link($person->workshop, $by, ['user_id' => $person->id], PersonLink::RESET_H);
            Audit::note(Happening::ResetLinked, $by, ['name' => $person->name]);

            return $made;
        });
    }

    public function takeBack(User $by, PersonLink $link): void
    {
        DB::transaction(function () use ($by, $link): void {
            $link->update(['taken_back_at' => now()]);
            Audit::note(Happening::LinkTakenBack, $by, ['name' => self::whom($link)]);
        });
    }

    /** Somebody new, by an invitation. */
    public function join(PersonLink $link, string $name, string $email, string $password): User
    {
        return DB::transaction(function () use ($link, $name, $email, $password): User {
            self::useUp($link);
            $role = $link->role ?? throw Refused::because('/token', 'This link is not an invitation.');
            $person = $link->workshop->users()->create([
                'name' => $name,
                'email' => $email,
                'role' => $role,
                'password' => $password,
            ]);
            Audit::note(Happening::Joined, $person, ['role' => $role->spoken()]);

            return $person;
        });
    }

    /** A new password, by a link: whoever knew the old one is out everywhere. */
    public function renew(PersonLink $link, string $password): User
    {
        return DB::transaction(function () use ($link, $password): User {
            self::useUp($link);
            $person = $link->person;
            if ($person === null || $person->left_at !== null) {
                throw Refused::because('/token', 'This link renews nobody\'s password.');
            }
            $person->forceFill(['password' => $password])->save();
            self::shutOut($person);
            $this->signIns->forgive($person->email);
            Audit::note(Happening::PasswordReset, $person);

            return $person;
        });
    }

    public function changeRole(User $by, User $person, Role $role): void
    {
        DB::transaction(function () use ($by, $person, $role): void {
            $person = self::locked($person);
            if ($person->role === $role) {
                return;
            }
            $before = $person->role->spoken();
            self::keepsALead($person, 'Make somebody else lead technician first: a workshop keeps one.');
            $person->update(['role' => $role]);
            if ($role !== Role::Lead) {
                self::takeBackLinks(['made_by' => $person->id]);
            }
            Audit::note(Happening::RoleChanged, $by, [
                'name' => $person->name,
                'role' => $role->spoken(),
                'before' => $before,
            ]);
        });
    }

    /** Out of the workshop, at once and everywhere. */
    public function leave(User $by, User $person): void
    {
        DB::transaction(function () use ($by, $person): void {
            $person = self::locked($person);
            if ($person->left_at !== null) {
                return;
            }
            self::keepsALead($person, 'The last lead technician cannot leave: make somebody else one first.');
            $person->forceFill(['left_at' => now()])->save();
            self::shutOut($person);
            self::takeBackLinks(['user_id' => $person->id]);
            self::takeBackLinks(['made_by' => $person->id]);
            Audit::note(Happening::Left, $by, ['name' => $person->name]);
        });
    }

    /**
     * Somebody who left is of the workshop again, as an apprentice until a lead says otherwise, with a new password.
     *
     * @return array{PersonLink, string}
     */
    public function letIn(User $by, User $person): array
    {
        return DB::transaction(function () use ($by, $person): array {
            $person = self::locked($person);
            if ($person->left_at === null) {
                throw Refused::because('/person', "{$person->name} is here; there is nobody to let in.");
            }
            $person->forceFill(['left_at' => null, 'role' => Role::Apprentice])->save();
            Audit::note(Happening::LetIn, $by, ['name' => $person->name, 'role' => Role::Apprentice->spoken()]);

            return $this->reset($by, $person);
        });
    }

    /** Whom a link is for. */
    public static function whom(PersonLink $link): string
    {
        return $link->person !== null ? $link->person->name : (string) $link->name;
    }

    /**
     * @param array<string, mixed> $for
     * @return array{PersonLink, string}
     */
    private static function link(Workshop $workshop, ?User $by, array $for, int $hours): array
    {
        [$token, $hash] = OneUse::token();
        $link = $workshop
            ->personLinks()
            ->create([
                ...$for,
                'made_by' => $by?->id,
                'token_hash' => $hash,
                'expires_at' => Carbon::now()->addHours($hours),
            ]);

        return [$link, $token];
    }

    private static function useUp(PersonLink $link): void
    {
        $link->use() ||
            throw Refused::because(
                '/token',
                'This link has been used or is too old. Ask a lead technician for another.',
            );
    }

    /** The person as the row stands now; who is what in the workshop stays so until the end of the transaction. */
    private static function locked(User $person): User
    {
        Workshop::query()->whereKey($person->workshop_id)->lockForUpdate()->firstOrFail();

        return User::query()->findOrFail($person->id);
    }

    private static function keepsALead(User $person, string $otherwise): void
    {
        $leads = User::query()
            ->where('workshop_id', $person->workshop_id)
            ->where('role', Role::Lead)
            ->whereNull('left_at')
            ->whereKeyNot($person->id);
        if ($person->role === Role::Lead && $leads->doesntExist()) {
            throw Refused::because('/role', $otherwise);
        }
    }

    private static function shutOut(User $person): void
    {
        Entry::endAll($person);
        $person->tokens()->delete();
    }

    /** @param array<string, int> $which links for somebody (`user_id`), or made by somebody (`made_by`) */
    private static function takeBackLinks(array $which): void
    {
        PersonLink::query()
            ->open()
            ->where($which)
            ->update(['taken_back_at' => now()]);
    }
}
