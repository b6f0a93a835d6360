<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** The people of a workshop are its lead technicians' concern. */
final class UserPolicy
{
    public function manage(User $user): Response
    {
        return $user->role === Role::Lead
            ? Response::allow()
            : Response::deny('A lead technician manages people; ask one.');
    }

    /** Parts and prices: whoever plans with them. */
    public function price(User $user): Response
    {
        return $user->role === Role::Apprentice
            ? Response::deny('A technician or a lead changes parts and prices; ask one.')
            : Response::allow();
    }
}
