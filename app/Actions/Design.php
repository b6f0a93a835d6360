<?php

declare(strict_types=1);

namespace App\Actions;

use App\Exceptions\Conflict;
use App\Models\Revision;
use App\Models\Rig;
use App\Models\RigJob;
use App\Models\User;
use Closure;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Document\Place;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Patch;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use stdClass;

/**
 * Writes revisions of a job's design: edits, undo, redo, going back, import. One transaction each, the
 * job's row locked; the same UUID twice does nothing twice.
 */
final class Design
{
    /**
     * @return array{Revision, list<string>} the revision, and what the person should know
     * @throws Refused when the intent cannot be done
     * @throws Conflict when somebody touched the same since the base revision
     */
    public function edit(RigJob $job, User $user, string $uuid, int $base, stdClass $intent): array
    {
        return DB::transaction(function () use ($job, $user, $uuid, $base, $intent): array {
            [$head, $done] = $this->lock($job, $uuid);
            if ($done !== null) {
                return [$done, []];
            }
            $atHead = $head->decoded();
            if ($base === $head->number) {
                $edit = Intents::apply($atHead, $intent);

                return [
                    $this->append($job, $head, $user, $uuid, 'edit', $edit->words, $atHead, $edit->document),
                    $edit->notices,
                ];
            }
            $atBase = $job->revision($base)->decoded();
            $edit = Intents::apply($atBase, $intent);
            $patch = Patch::between($atBase, $edit->document);
            $this->refuseOverlap(
                $job,
                $patch,
                $edit->document,
                $atHead,
                $job->revisions()->with('user')->where('number', '>', $base)->orderBy('number')->get()->values()->all(),
            );
            $document = $this->rebased($atHead, $patch);
            if ($document === null) {
                // Different places, yet no longer together (two circuits in one slot): mean it again at the head.
                $edit = Intents::apply($atHead, $intent);
                $document = $edit->document;
            }

            return [$this->append($job, $head, $user, $uuid, 'edit', $edit->words, $atHead, $document), $edit->notices];
        });
    }

    /**
     * Takes back the person's own latest edit that still stands.
     *
     * @throws Refused when there is nothing of theirs to take back
     * @throws Conflict when somebody touched the same since
     */
    public function undo(RigJob $job, User $user, string $uuid): Revision
    {
        return $this->reverse($job, $user, $uuid, 'undo', function (Collection $revisions, array $reversed) use (
            $user,
        ) {
            return $revisions->last(
                fn(Revision $r): bool => $r->user_id === $user->id &&
                    in_array($r->kind, ['edit', 'redo'], true) &&
                    !isset($reversed[$r->number]),
            ) ?? throw Refused::because('', 'There is nothing of yours left to undo.');
        });
    }

    /**
     * Makes again what the person took back last; an edit since then is a new beginning.
     *
     * @throws Refused when there is nothing of theirs to make again
     * @throws Conflict when somebody touched the same since
     */
    public function redo(RigJob $job, User $user, string $uuid): Revision
    {
        return $this->reverse($job, $user, $uuid, 'redo', function (Collection $revisions, array $reversed) use (
            $user,
        ) {
            $own = $revisions->where('user_id', $user->id);
            $edited = $own->last(fn(Revision $r): bool => $r->kind === 'edit')->number ?? 0;

            return $own->last(
                fn(Revision $r): bool => $r->kind === 'undo' && $r->number > $edited && !isset($reversed[$r->number]),
            ) ?? throw Refused::because('', 'There is nothing of yours left to redo.');
        });
    }

    /**
     * A revision with the inverse of one chosen among the earlier ones.
     *
     * @param Closure(Collection<int, Revision>, array<int, true>): Revision $choose of all revisions and the numbers of
     *      those reversed already
     */
    private function reverse(RigJob $job, User $user, string $uuid, string $kind, Closure $choose): Revision
    {
        return DB::transaction(function () use ($job, $user, $uuid, $kind, $choose): Revision {
            [$head, $done] = $this->lock($job, $uuid);
            if ($done !== null) {
                return $done;
            }
            $revisions = $job->revisions()->with('user')->orderBy('number')->get();
            /** @var array<int, true> $reversed */
            $reversed = array_fill_keys($revisions->pluck('undoes')->filter()->all(), true);
            $own = $choose($revisions, $reversed);
            if (self::touchesPlans($own)) {
                Gate::forUser($user)->authorize('plan', $job);
            }
            $atHead = $head->decoded();
            $this->refuseOverlap(
                $job,
                $own->inverseOperations(),
                $job->revision($own->number - 1)->decoded(),
                $atHead,
                self::since($revisions, $own),
            );
            $what = preg_replace('/^(took back|made again): /', '', $own->words) ?? $own->words;
            try {
                $document = Patch::apply($atHead, $own->inverseOperations());
                JobFile::check($document, $atHead);
            } catch (\Swaggest\JsonDiff\Exception | BadJobFile $e) {
                throw new Conflict(
                    $head->number,
                    [],
                    sprintf(
                        '%s "%s" would leave a design that does not hold together: %s',
                        $kind === 'undo' ? 'Undoing' : 'Making again',
                        $what,
                        $e->getMessage(),
                    ),
                );
            }

            return $this->append(
                $job,
                $head,
                $user,
                $uuid,
                $kind,
                ($kind === 'undo' ? 'took back: ' : 'made again: ') . $what,
                $atHead,
                $document,
                $own->number,
            );
        });
    }

    /**
     * The edits that hold now and did not when one was made, or the other way round: taken back and made again any
     * number of times, an edit is at last either in or out.
     *
     * @param Collection<int, Revision> $revisions all, in their order
     * @return list<Revision>
     */
    private static function since(Collection $revisions, Revision $own): array
    {
        $edit = $holds = $held = [];
        foreach ($revisions as $r) {
            $edit[$r->number] = $of = $r->undoes === null ? $r->number : $edit[$r->undoes];
            $holds[$of] = !($holds[$of] ?? false);
            if ($r->number <= $own->number) {
                $held[$of] = $holds[$of];
            }
        }

        return array_values(
            $revisions
                ->filter(
                    fn(Revision $r): bool => $r->undoes === null &&
                        $r->number !== $edit[$own->number] &&
                        $holds[$r->number] !== ($held[$r->number] ?? false),
                )
                ->all(),
        );
    }

    /** Whether a revision changed anything that takes the right to plan. */
    private static function touchesPlans(Revision $revision): bool
    {
        return array_filter(
            $revision->operations(),
            fn(array $o): bool => str_starts_with((string) ($o['path'] ?? ''), '/plans'),
        ) !== [];
    }

    /** Goes back to an earlier revision, as a new one. */
    public function restore(RigJob $job, User $user, string $uuid, int $number): Revision
    {
        return DB::transaction(function () use ($job, $user, $uuid, $number): Revision {
            [$head, $done] = $this->lock($job, $uuid);

            return $done ??
                $this->append(
                    $job,
                    $head,
                    $user,
                    $uuid,
                    'edit',
                    "went back to revision {$number}",
                    $head->decoded(),
                    $job->revision($number)->decoded(),
                );
        });
    }

    /**
     * Puts a job file into a job that has nothing in it yet.
     *
     * @throws Refused when the job already has a design
     */
    public function import(RigJob $job, User $user, string $uuid, stdClass $document): Revision
    {
        return DB::transaction(function () use ($job, $user, $uuid, $document): Revision {
            [$head, $done] = $this->lock($job, $uuid);
            if ($done !== null) {
                return $done;
            }
            if ($head->number !== 1) {
                throw Refused::because(
                    '',
                    'A job file goes into an empty job; this one already has a history. Open a new job for it.',
                );
            }

            return $this->append(
                $job,
                $head,
                $user,
                $uuid,
                'import',
                'brought in a job file',
                $head->decoded(),
                $document,
            );
        });
    }

    /** A new job with its first revision. */
    public function create(
        User $user,
        string $title,
        string $kind,
        ?int $customerId,
        ?stdClass $document = null,
        ?Rig $rig = null,
    ): RigJob {
        return DB::transaction(function () use ($user, $title, $kind, $customerId, $document, $rig): RigJob {
            $rig ??= $user->workshop->rigs()->create(['name' => $title, 'kind' => $kind, 'customer_id' => $customerId]);
            $job = new RigJob([
                'title' => $title,
                'kind' => $kind,
                'customer_id' => $customerId,
                'rig_id' => $rig->id,
                'head' => 1,
            ]);
            $job->workshop_id = $user->workshop_id;
            $job->save();
            $text = JobFile::write($document ?? JobFile::blank($title, $kind));
            $job->revisions()->create([
                'number' => 1,
                'uuid' => (string) Str::uuid(),
                'user_id' => $user->id,
                'kind' => 'start',
                'words' => 'opened the job',
                'document' => $text,
                'sha256' => hash('sha256', $text),
                'patch' => '[]',
                'inverse' => '[]',
            ]);

            return $job;
        });
    }

    /**
     * The head with a patch on it, or null when the two do not hold together.
     *
     * @param list<array<string, mixed>> $patch
     */
    private function rebased(stdClass $atHead, array $patch): ?stdClass
    {
        try {
            $document = Patch::apply($atHead, $patch);
            JobFile::check($document, $atHead);
        } catch (\Swaggest\JsonDiff\Exception | BadJobFile) {
            return null;
        }

        return count(Planned::clashes($document)) > count(Planned::clashes($atHead)) ? null : $document;
    }

    /** @return array{Revision, ?Revision} the head of the job, now its caller's alone, and what that UUID did before */
    private function lock(RigJob $job, string $uuid): array
    {
        $job->head = RigJob::query()->lockForUpdate()->findOrFail($job->id)->head;
        $both = $job
            ->revisions()
            ->where(fn($revisions) => $revisions->where('number', $job->head)->orWhere('uuid', $uuid))
            ->get();

        return [$both->firstOrFail('number', $job->head), $both->firstWhere('uuid', $uuid)];
    }

    private function append(
        RigJob $job,
        Revision $head,
        User $user,
        string $uuid,
        string $kind,
        string $words,
        stdClass $before,
        stdClass $after,
        ?int $undoes = null,
    ): Revision {
        $text = JobFile::write($after);
        $patch = Patch::between($before, $after);
        $revision = $job->revisions()->create([
            'number' => $head->number + 1,
            'uuid' => $uuid,
            'user_id' => $user->id,
            'kind' => $kind,
            'words' => mb_substr($words, 0, 400),
            'undoes' => $undoes,
            'document' => $text,
            'sha256' => hash('sha256', $text),
            'patch' => json_encode($patch, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            'inverse' => json_encode(
                Patch::inverse($before, $patch),
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
            ),
        ]);
        $revision->decodesTo($after);
        $job->forceFill(['head' => $revision->number, 'title' => $after->title, 'kind' => $after->rig->kind])->save();

        return $revision;
    }

    /**
     * @param list<array<string, mixed>> $patch
     * @param array<Revision> $since
     */
    private function refuseOverlap(RigJob $job, array $patch, stdClass $mine, stdClass $theirs, array $since): void
    {
        $conflicts = [];
        foreach ($since as $revision) {
            foreach (Patch::overlap($patch, $revision->operations()) as $pointer) {
                $conflicts[$pointer] = [
                    ...Place::of($pointer)->toArray(),
                    'yours' => Patch::at($mine, $pointer),
                    'theirs' => Patch::at($theirs, $pointer),
                    'by' => ($revision->user->name ?? 'somebody') . ': ' . $revision->words,
                    'who' => $revision->user->name ?? 'somebody',
                ];
            }
        }
        if ($conflicts !== []) {
            throw new Conflict(
                $job->head,
                array_values($conflicts),
                'The same place was changed since: ' .
                    implode('; ', array_unique(array_column($conflicts, 'by'))) .
                    '.',
            );
        }
    }
}
