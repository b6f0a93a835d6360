<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\SetupLink;
use App\Models\User;
use Illuminate\Console\Command;

/** Prints the one-use link with which a workshop's lead technician signs up. */
final class SetUp extends Command
{
    protected $signature = 'hollin:set-up {--if-empty : only while nobody can sign in yet}';

    protected $description = 'Print a one-use link that opens a new workshop';

    public function handle(): int
    {
        if ($this->option('if-empty') && User::query()->exists()) {
            return self::SUCCESS;
        }
        $this->line(rtrim((string) config('app.url'), '/') . '/set-up/' . SetupLink::issue());

        return self::SUCCESS;
    }
}
