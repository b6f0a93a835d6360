<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Photo;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Who may do what with a job. Another workshop's job does not exist for anybody. */
final class RigJobPolicy
{
    public function view(User $user, RigJob $job): Response
    {
        return $user->workshop_id === $job->workshop_id ? Response::allow() : Response::denyAsNotFound();
    }

    public function create(User $user): Response
    {
        return $user->role === Role::Apprentice
            ? Response::deny('An apprentice cannot open a new job; ask a technician.')
            : Response::allow();
    }

    /** Survey and needs: everybody of the workshop. */
    public function survey(User $user, RigJob $job): Response
    {
        return $this->view($user, $job);
    }

    /** Photographs: one's own, and a technician's or lead's everybody's. */
    public function removePhoto(User $user, RigJob $job, Photo $photo): Response
    {
        return $user->role === Role::Apprentice && $photo->user_id !== $user->id
            ? Response::deny('An apprentice removes own photographs; a technician those of others.')
            : $this->view($user, $job);
    }

    /** Nothing is built before a lead has let it. */
    public function approve(User $user, RigJob $job): Response
    {
        $view = $this->view($user, $job);
        if ($view->denied()) {
            return $view;
        }

        return $user->role === Role::Lead
            ? Response::allow()
            : Response::deny('A lead technician lets a plan be built; ask one.');
    }

    /** A lead puts jobs away and takes them out again. */
    public function putAway(User $user, RigJob $job): Response
    {
        $view = $this->view($user, $job);
        if ($view->denied()) {
            return $view;
        }

        return $user->role === Role::Lead ? Response::allow() : Response::deny('A lead puts jobs away; ask one.');
    }

    /** Plans: technicians and leads. */
    public function plan(User $user, RigJob $job): Response
    {
        $view = $this->view($user, $job);
        if ($view->denied()) {
            return $view;
        }

        return $user->role === Role::Apprentice
            ? Response::deny('An apprentice surveys and reads plans; a technician changes them.')
            : Response::allow();
    }
}
