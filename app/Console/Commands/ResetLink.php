<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\People;
use App\Models\PersonLink;
use App\Models\User;
use Hollin\Core\Plan\Refused;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** For whoever runs the machine: the way back in when no lead technician is left who could make a link. */
final class ResetLink extends Command
{
    protected $signature = 'hollin:reset-link {email : of the person}';

    protected $description = 'Print a one-use link with which somebody sets a new password';

    public function handle(People $people): int
    {
        $person = User::query()->where('email', Str::lower((string) $this->argument('email')))->first();
        if ($person === null) {
            $this->error('Nobody here has that e-mail.');

            return self::FAILURE;
        }
        try {
            [, $token] = $people->reset(null, $person);
        } catch (Refused $e) {
            $this->error($e->getMessage());

            return self::FAILURE;
        }
        $this->line(rtrim((string) config('app.url'), '/') . PersonLink::place($token));

        return self::SUCCESS;
    }
}
