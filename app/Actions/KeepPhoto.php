<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Photo;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** Checks a photograph by its content, writes it anew without metadata, and keeps it under the name of its content. */
final class KeepPhoto
{
    private const LONGEST = 2560;

    private const TYPES = [
        IMAGETYPE_JPEG => 'image/jpeg',
        IMAGETYPE_PNG => 'image/png',
        IMAGETYPE_WEBP => 'image/webp',
    ];

    private const MOST_PIXELS = 60_000_000;

    private const MOST_OF_A_JOB = 400;

    /** @throws Refused when it is no picture, or one that cannot be read here */
    public function __invoke(RigJob $job, User $user, UploadedFile $file, string $component, ?string $note): Photo
    {
        $bytes = (string) $file->get();
        $size = @getimagesizefromstring($bytes);
        if ($size === false || !isset(self::TYPES[$size[2]])) {
            throw Refused::because(
                '/photo',
                'is not a JPEG, PNG or WebP picture. A phone that takes HEIC can be set to "most ' .
                    'compatible", or the picture exported as JPEG.',
            );
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw Refused::because(
                '/photo',
                sprintf('has %d × %d pixels; up to 60 megapixels can be read.', $size[0], $size[1]),
            );
        }
        if (Photo::query()->where('rig_job_id', $job->id)->count() >= self::MOST_OF_A_JOB) {
            throw Refused::because(
                '/photo',
                sprintf('This job has %d photographs already; remove some first.', self::MOST_OF_A_JOB),
            );
        }
        $image = @imagecreatefromstring($bytes);
        if ($image === false) {
            throw Refused::because('/photo', 'is damaged and cannot be read.');
        }
        $image = self::upright($image, $bytes);
        $longest = max(imagesx($image), imagesy($image));
        if ($longest > self::LONGEST) {
            $image = imagescale($image, (int) round((imagesx($image) * self::LONGEST) / $longest)) ?: $image;
        }
        // Written anew: position, serial numbers and whatever else the camera put in stay behind.
        ob_start();
        imagejpeg($image, null, 85);
        $clean = (string) ob_get_clean();
        $sha = hash('sha256', $clean);
        $photo = Photo::query()->firstOrNew(['rig_job_id' => $job->id, 'component' => $component, 'sha256' => $sha]);
        $photo->fill([
            'user_id' => $user->id,
            'bytes' => strlen($clean),
            'width' => imagesx($image),
            'height' => imagesy($image),
            'note' => $note,
        ]);
        if (!Storage::disk('local')->exists($photo->file())) {
            Storage::disk('local')->put($photo->file(), $clean);
        }
        $photo->save();

        return $photo;
    }

    /** Turned as the camera says it was held. */
    private static function upright(\GdImage $image, string $bytes): \GdImage
    {
        if (!function_exists('exif_read_data') || !str_starts_with($bytes, "\xFF\xD8")) {
            return $image;
        }
        $stream = fopen('php://memory', 'r+');
        if ($stream === false) {
            return $image;
        }
        fwrite($stream, $bytes);
        rewind($stream);
        $exif = @exif_read_data($stream);
        $angle = [3 => 180, 6 => -90, 8 => 90][is_array($exif) ? $exif['Orientation'] ?? 1 : 1] ?? 0;

        return $angle === 0 ? $image : (imagerotate($image, $angle, 0) ?: $image);
    }
}
