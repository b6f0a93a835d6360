<?php

declare(strict_types=1);

namespace Tests;

use App\Auth\Entry;
use App\Http\Middleware\SignInHolds;
use App\Models\Role;
use App\Models\User;
use App\Models\Workshop;
use Illuminate\Contracts\Auth\Authenticatable as UserContract;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;

abstract class TestCase extends BaseTestCase
{
    public function createApplication(): Application
    {
        $app = require dirname(__DIR__) . '/bootstrap/app.php';
        // All that tests set stands in phpunit.xml; where no file is looked for, none is missed.
        $app->loadEnvironmentFrom('tests/none.env');
        $app->make(Kernel::class)->bootstrap();

        return $app;
    }

    /** Signed in as by the door: with a sign-in that can be ended. */
    public function actingAs(UserContract $user, $guard = null): static
    {
        assert($user instanceof User);
        $this->withSession([SignInHolds::KEY => Entry::begin($user, '127.0.0.1', 'a test')->id]);

        return parent::actingAs($user, $guard);
    }

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
