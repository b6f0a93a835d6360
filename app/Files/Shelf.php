<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Throwable;

/**
 * Where photographs and papers are kept. What is put here is there whole, under its name, or not at all: written aside,
 * read back, its length and hash compared, and only then moved to its name.
 */
final class Shelf
{
    public static function disk(): Filesystem
    {
        return Storage::disk((string) config('hollin.disk'));
    }

    /**
     * @throws HttpException 507 when it could not be written whole: the disk is full, or not there
     */
    public static function put(string $file, string $bytes): void
    {
        $aside = 'aside/' . Str::random(24);
        try {
            $disk = self::disk();
            $written =
                $disk->put($aside, $bytes) !== false &&
                self::is($aside, $bytes) &&
                (!$disk->exists($file) || $disk->delete($file)) &&
                $disk->move($aside, $file) &&
                self::is($file, $bytes);
        } catch (Throwable $e) {
            report($e);
            $written = false;
        }
        if (!$written) {
            rescue(fn() => self::disk()->delete($aside), report: false);
            throw new HttpException(
                507,
                'The file could not be written whole: the disk may be full. Nothing was kept.',
            );
        }
    }

    /** Whether a file is there and holds these bytes and no others. */
    public static function is(string $file, string $bytes): bool
    {
        return self::holds($file, strlen($bytes), hash('sha256', $bytes));
    }

    /** Whether a file is there, as long as it should be and with the content it should have. */
    public static function holds(string $file, int $bytes, string $sha256): bool
    {
        $disk = self::disk();

        return $disk->exists($file) &&
            $disk->size($file) === $bytes &&
            hash('sha256', (string) $disk->get($file)) === $sha256;
    }
}
