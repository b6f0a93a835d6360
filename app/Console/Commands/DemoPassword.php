<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Console\Command;

/** Takes the known password from the demo people while others than this machine can reach them, and gives it back. */
final class DemoPassword extends Command
{
    protected $signature = 'hollin:demo-password';

    protected $description = 'Give the demo people the password in HOLLIN_DEMO_PASSWORD, or the known one';

    public function handle(): int
    {
        $password = DemoSeeder::password();
        DemoSeeder::people()->get()->each(fn(User $user): bool => $user->forceFill(['password' => $password])->save());

        return self::SUCCESS;
    }
}
