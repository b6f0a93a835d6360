<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Files\PictureHead;
use App\Files\Shelf;
use App\Models\Photo;
use Hollin\Core\Plan\Refused;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use Intervention\Image\Encoders\JpegEncoder;
use Intervention\Image\Exceptions\RuntimeException;
use Intervention\Image\ImageManager;
use Throwable;

/**
 * Writes a photograph anew: upright, no larger than a screen wants it, without position, serial numbers and whatever
 * else the camera put in; and keeps it under the name of its content.
 */
final class DevelopPhoto implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    private const LONGEST = 2560;

    private const QUALITY = 85;

    /** A full disk, a database that is away, a worker that was killed: not the photograph's fault, and each passes. */
    public int $tries = 60;

    /** @var list<int> until the next try, s; the last for all that follow */
    public $backoff = [5, 15, 60, 300, 900, 3600];

    public int $timeout = 60;

    public function __construct(private readonly int $photoId) {}

    public function handle(): void
    {
        $photo = Photo::query()->find($this->photoId);
        if ($photo === null || $photo->incoming === null) {
            return;
        }
        $incoming = $photo->incoming;
        try {
            $raw =
                Shelf::disk()->get($incoming) ?? throw new \RuntimeException('The photograph cannot be read just now.');
            PictureHead::of($raw);
            $image = ImageManager::gd()->read($raw)->scaleDown(self::LONGEST, self::LONGEST);
        } catch (RuntimeException | Refused) {
            $this->spoilt($photo, $incoming);

            return;
        }
        $clean = (string) $image->encode(new JpegEncoder(self::QUALITY, strip: true));
        $sha = hash('sha256', $clean);
        Shelf::put(Photo::fileOf($sha), $clean);
        DB::transaction(function () use ($photo, $sha, $clean, $image): void {
            $first = Photo::query()
                ->where('rig_job_id', $photo->rig_job_id)
                ->where('component', $photo->component)
                ->where('sha256', $sha)
                ->whereKeyNot($photo->id)
                ->lockForUpdate()
                ->first();
            if ($first !== null) {
                $all = array_unique([...$first->raws(), ...$photo->raws()]);
                $first->update(['other_raws' => array_values(array_diff($all, [$first->raw_sha256]))]);
                $photo->delete();

                return;
            }
            $photo->update([
                'status' => 'kept',
                'trouble' => null,
                'incoming' => null,
                'sha256' => $sha,
                'bytes' => strlen($clean),
                'width' => $image->width(),
                'height' => $image->height(),
            ]);
        });
        Shelf::disk()->delete($incoming);
    }

    /** After two days of trying: it stays as it came, and is tried again when the application starts. */
    public function failed(?Throwable $why): void
    {
        Photo::query()
            ->whereKey($this->photoId)
            ->whereNotNull('incoming')
            ->update(['status' => 'failed', 'trouble' => 'could not be written anew yet; it is kept as it came.']);
    }

    private function spoilt(Photo $photo, string $incoming): void
    {
        $photo->update(['status' => 'failed', 'trouble' => 'is damaged and cannot be read.', 'incoming' => null]);
        Shelf::disk()->delete($incoming);
    }
}
