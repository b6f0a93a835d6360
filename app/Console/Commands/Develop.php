<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Jobs\DevelopPhoto;
use App\Models\Photo;
use Illuminate\Console\Command;

/** Photographs that are not written anew yet are kept as they came; this has them tried again, each at least once. */
final class Develop extends Command
{
    protected $signature = 'hollin:develop';

    protected $description = 'Try photographs again that could not be written anew';

    public function handle(): int
    {
        $photos = Photo::query()->whereNotNull('incoming')->get();
        foreach ($photos as $photo) {
            $photo->update(['status' => 'waiting', 'trouble' => null]);
            DevelopPhoto::dispatch($photo->id);
        }
        $this->line("{$photos->count()} photographs are tried again");

        return self::SUCCESS;
    }
}
