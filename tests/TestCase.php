<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Role;
use App\Models\User;
use App\Models\Workshop;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;

abstract class TestCase extends BaseTestCase
{
    /** Somebody of a workshop; another name is another workshop. */
    final public function person(Role $role, string $workshop = 'Lathe Lane'): User
    {
        return Workshop::query()
            ->firstOrCreate(['name' => $workshop])
            ->users()
            ->create([
                'name' => $role->label(),
                'email' => uniqid($role->value, true) . '@hollin.test',
                'role' => $role,
                'password' => 'rowan-and-lath',
            ]);
    }
}
