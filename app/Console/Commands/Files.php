<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Files\Shelf;
use App\Models\Photo;
use App\Models\Sheet;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

/** Brings every file that the database speaks of from the disk into a folder, or from a folder onto the disk. */
final class Files extends Command
{
    protected $signature = 'hollin:files {way : fetch or put} {folder}';

    protected $description = 'Fetch all photographs and papers into a folder, or put them from one onto the disk';

    public function handle(): int
    {
        $way = $this->argument('way');
        $folder = rtrim((string) $this->argument('folder'), '/');
        if (!in_array($way, ['fetch', 'put'], true)) {
            $this->error("\"{$way}\" is neither fetch nor put.");

            return self::FAILURE;
        }
        $missing = 0;
        $files = 0;
        foreach (self::names() as $name) {
            if ($way === 'fetch' && is_file("{$folder}/{$name}")) {
                // Files are added and removed, never changed.
                $files++;
                continue;
            }
            $bytes = $way === 'fetch' ? Shelf::disk()->get($name) : self::read("{$folder}/{$name}");
            if ($bytes === null) {
                $this->error("{$name} is missing.");
                $missing++;
                continue;
            }
            if ($way === 'put') {
                Shelf::put($name, $bytes);
            } else {
                File::ensureDirectoryExists(dirname("{$folder}/{$name}"), 0700);
                File::put("{$folder}/{$name}", $bytes);
            }
            $files++;
        }
        $this->line("{$files} files, {$missing} missing");

        return $missing === 0 ? self::SUCCESS : self::FAILURE;
    }

    /** @return iterable<string> */
    private static function names(): iterable
    {
        foreach (
            Photo::query()
                ->select(['id', 'sha256', 'status', 'incoming'])
                ->lazyById()
            as $photo
        ) {
            if ($photo->incoming !== null) {
                yield $photo->incoming;
            }
            if ($photo->status === 'kept') {
                yield $photo->file();
            }
        }
        foreach (Sheet::query()->whereNotNull('file')->lazyById() as $sheet) {
            yield (string) $sheet->file;
        }
    }

    private static function read(string $file): ?string
    {
        return is_file($file) ? File::get($file) : null;
    }
}
