<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepPhoto;
use App\Files\Shelf;
use App\Models\Photo;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Plan\WalkRound;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use stdClass;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Photographs against components: private files, served to the workshop only. */
final class PhotoController
{
    #[OA\Get(path: '/jobs/{job}/photos', operationId: 'photos', summary: 'A job\'s photographs.')]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Photographs',
            content: new OA\JsonContent(
                required: ['photos'],
                properties: [
                    new OA\Property(
                        property: 'photos',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/Photo'),
                    ),
                ],
            ),
        ),
    ]
    public function index(RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $photos = Photo::query()->with('user')->where('rig_job_id', $job->id)->orderBy('id')->get();

        return response()->json(['photos' => $photos->map(self::row(...))->all()]);
    }

    #[
        OA\Post(
            path: '/jobs/{job}/photos',
            operationId: 'addPhoto',
            summary: 'Add a photograph to a component: JPEG, PNG or WebP up to 12 MB; it is written anew without ' .
                'metadata.',
        ),
    ]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['photo', 'component'],
                    properties: [
                        new OA\Property(property: 'photo', type: 'string', format: 'binary'),
                        new OA\Property(property: 'component', type: 'string'),
                        new OA\Property(property: 'note', type: 'string'),
                        new OA\Property(property: 'for', type: 'integer'),
                    ],
                ),
            ),
        ),
    ]
    #[OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: '#/components/schemas/Photo'))]
    #[
        OA\Response(
            response: 422,
            description: 'Not a picture that can be read',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request, RigJob $job, KeepPhoto $keep): JsonResponse
    {
        Gate::authorize('survey', $job);
        $given = $request->validate([
            'photo' => ['required', 'file', 'max:12288'],
            'component' => ['required', 'string', 'max:80'],
            'note' => ['nullable', 'string', 'max:300'],
            'for' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
        ]);
        $user = User::of($request)->inNameOf(isset($given['for']) ? (int) $given['for'] : null);
        $document = $job->revision($job->head)->decoded();
        // A photograph of the walk round belongs to its item: walk.tug.
        $item = str_starts_with($given['component'], 'walk.') ? substr($given['component'], 5) : '';
        if (!isset(WalkRound::items()[$item]) && !self::isThere($document, $given['component'])) {
            throw Refused::because(
                '/component',
                sprintf('There is no component "%s" in the survey.', $given['component']),
            );
        }
        $file = $given['photo'];
        assert($file instanceof UploadedFile);

        return response()->json(self::row($keep($job, $user, $file, $given['component'], $given['note'] ?? null)), 201);
    }

    /** Whether a part is there as found, or comes with a plan; what belongs to a step is named step. and its id. */
    private static function isThere(stdClass $document, string $component): bool
    {
        if (
            isset($document->asFound->components->{$component}) ||
            preg_match('/^step\.[a-z0-9_.]+$/', $component) === 1
        ) {
            return true;
        }
        foreach (get_object_vars($document->plans) as $plan) {
            foreach (get_object_vars($plan->changes) as $change) {
                if ($change->target === $component && $change->op === 'fit') {
                    return true;
                }
            }
        }

        return false;
    }

    #[OA\Get(path: '/photos/{photo}', operationId: 'photo', summary: 'The photograph itself.')]
    #[OA\Parameter(name: 'photo', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 200, description: 'JPEG', content: new OA\MediaType(mediaType: 'image/jpeg'))]
    public function show(Photo $photo): StreamedResponse
    {
        Gate::authorize('view', $photo->rigJob);
        abort_if($photo->status === 'waiting', 404, 'This photograph is being written anew; ask again in a moment.');
        abort_unless(Shelf::disk()->exists($photo->file()), 404, 'The file of this photograph is gone.');

        return Shelf::disk()->response($photo->file(), "photo-{$photo->id}.jpg", [
            'Content-Type' => 'image/jpeg',
            // Nothing of a workshop stays in a browser that goes from hand to hand.
            'Cache-Control' => 'private, no-store',
        ]);
    }

    #[OA\Delete(path: '/photos/{photo}', operationId: 'dropPhoto', summary: 'Remove a photograph.')]
    #[OA\Parameter(name: 'photo', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 204, description: 'Gone')]
    public function destroy(Photo $photo): Response
    {
        Gate::authorize('view', $photo->rigJob);
        Gate::authorize('removePhoto', [$photo->rigJob, $photo]);
        $file = $photo->file();
        if ($photo->incoming !== null) {
            Shelf::disk()->delete($photo->incoming);
        }
        $photo->delete();
        if (Photo::query()->where('sha256', $photo->sha256)->doesntExist()) {
            Shelf::disk()->delete($file);
        }

        return response()->noContent();
    }

    /** @return array<string, mixed> */
    private static function row(Photo $photo): array
    {
        return [
            'id' => $photo->id,
            'component' => $photo->component,
            'note' => $photo->note,
            'width' => $photo->width,
            'height' => $photo->height,
            'bytes' => $photo->bytes,
            'status' => $photo->status,
            'raw' => $photo->raw_sha256,
            'raws' => $photo->raws(),
            'trouble' => $photo->trouble,
            'by' => $photo->user?->name,
            'at' => $photo->created_at->toIso8601ZuluString(),
        ];
    }
}
