<?php

declare(strict_types=1);

namespace App\Actions;

use App\Files\PictureHead;
use App\Files\Shelf;
use App\Jobs\DevelopPhoto;
use App\Models\Photo;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Takes a photograph in as it came, whole or not at all, and has it written anew by the queue's worker. */
final class KeepPhoto
{
    private const MOST_OF_A_JOB = 400;

    /**
     * The same picture on the same component is the one that is there, and stays that of whoever brought it first.
     *
     * @throws Refused when it is no picture, one that cannot be read here, or one too many
     * @throws \Symfony\Component\HttpKernel\Exception\HttpException 507 when it could not be written whole
     */
    public function __invoke(RigJob $job, User $user, UploadedFile $file, string $component, ?string $note): Photo
    {
        $bytes = (string) $file->get();
        $head = PictureHead::of($bytes);
        $sha = hash('sha256', $bytes);
        $there = $job->photos()->cameAs($component, $sha)->first();
        if ($there !== null) {
            // Brought again, it may be because its file is damaged: then it is developed anew.
            if ($there->status === 'failed' || ($there->status === 'kept' && !$there->isWhole())) {
                $this->develop($there, $bytes);
            }

            return $there->refresh();
        }
        $this->refuseTooMany($job, strlen($bytes));
        $photo = new Photo([
            'user_id' => $user->id,
            'component' => $component,
            'note' => $note,
            'sha256' => $sha,
            'raw_sha256' => $sha,
            'bytes' => strlen($bytes),
            'width' => $head->width,
            'height' => $head->height,
            'incoming' => null,
        ]);
        $photo->rig_job_id = $job->id;
        $this->develop($photo, $bytes);

        return Photo::query()->find($photo->id) ?? $job->photos()->cameAs($component, $sha)->firstOrFail();
    }

    /** Lays the picture aside as it came and leaves the rest to the worker. */
    private function develop(Photo $photo, string $bytes): void
    {
        $incoming = 'incoming/' . Str::uuid();
        Shelf::put($incoming, $bytes);
        $before = $photo->incoming;
        // Both or neither: a photograph that waits is one that somebody will take up.
        DB::transaction(function () use ($photo, $incoming): void {
            $photo->fill(['status' => 'waiting', 'trouble' => null, 'incoming' => $incoming])->save();
            DevelopPhoto::dispatch($photo->id)->beforeCommit();
        });
        if ($before !== null) {
            Shelf::disk()->delete($before);
        }
    }

    /** @throws Refused when the job or the workshop has as many as it may */
    private function refuseTooMany(RigJob $job, int $bytes): void
    {
        if ($job->photos()->count() >= self::MOST_OF_A_JOB) {
            throw Refused::because(
                '/photo',
                sprintf('This job has %d photographs already; remove some first.', self::MOST_OF_A_JOB),
            );
        }
        $most = (int) config('hollin.photo_mb');
        $has = (int) Photo::query()
            ->whereHas('rigJob', fn($jobs) => $jobs->where('workshop_id', $job->workshop_id))
            ->sum('bytes');
        if ($has + $bytes > $most * 1_000_000) {
            throw Refused::because(
                '/photo',
                sprintf('The workshop\'s photographs take %d of %d MB; remove some first.', $has / 1_000_000, $most),
            );
        }
    }
}
