<?php

declare(strict_types=1);

namespace App\Actions;

use App\Auth\Audit;
use App\Files\Shelf;
use App\Models\Customer;
use App\Models\Happening;
use App\Models\Photo;
use App\Models\Rig;
use App\Models\RigJob;
use App\Models\Sheet;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Erases a customer who asks for it. The name goes in any case, with the photographs and the printed sheets. The rest
 * of the jobs, what was wired and read and by whom, is kept unless it is to go as well: whoever works on the rig next,
 * and whoever asks later what was done, needs it. docs/running.md says what is kept elsewhere.
 */
final class EraseCustomer
{
    /** @return array{jobs: int, photos: int, sheets: int} what went */
    public function __invoke(User $by, Customer $customer, bool $withJobs): array
    {
        [$gone, $files] = DB::transaction(function () use ($by, $customer, $withJobs): array {
            $jobs = $customer->rigJobs()->lockForUpdate()->get();
            $photos = Photo::query()->whereIn('rig_job_id', $jobs->modelKeys())->get();
            $sheets = Sheet::query()->whereIn('rig_job_id', $jobs->modelKeys())->get();
            $photos->each(fn(Photo $photo) => $photo->delete());
            $sheets->each(fn(Sheet $sheet) => $sheet->delete());
            if ($withJobs) {
                $jobs->each(fn(RigJob $job) => $job->delete());
                $customer->rigs()->doesntHave('rigJobs')->delete();
            }
            // A note beside a rig is written about its owner as often as about the rig.
            $customer->rigs()->update(['note' => '']);
            $number = $customer->id;
            $customer->delete();
            Audit::note(Happening::CustomerErased, $by, [
                'customer' => $number,
                'what' => sprintf(
                    '%d photographs and %d sheets, %s',
                    $photos->count(),
                    $sheets->count(),
                    $withJobs
                        ? "{$jobs->count()} jobs with all revisions and readings"
                        : "{$jobs->count()} jobs kept without the name",
                ),
            ]);

            return [
                ['jobs' => $withJobs ? $jobs->count() : 0, 'photos' => $photos->count(), 'sheets' => $sheets->count()],
                [...$photos->pluck('incoming'), ...self::unused($photos), ...$sheets->pluck('file')],
            ];
        });
        // Once the rows are gone for certain; a file that stays behind has no row and no way to it.
        Shelf::disk()->delete(array_values(array_filter($files)));

        return $gone;
    }

    /**
     * Where a customer's name stands apart from the customer's own entry: erasing without the jobs does not reach that.
     *
     * @return list<string>
     */
    public function alsoNamedIn(Customer $customer): array
    {
        $like = '%' . addcslashes($customer->name, '\\%_') . '%';
        // A document writes quotes and what is beyond ASCII its own way.
        $written =
            '%' .
            addcslashes(
                trim((string) json_encode($customer->name, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), '"'),
                '\\%_',
            ) .
            '%';

        return array_values(
            $customer
                ->rigJobs()
                ->withCount([
                    'revisions as named_count' => fn($query) => $query
                        ->where('document', 'ilike', $written)
                        ->orWhere('words', 'ilike', $like),
                ])
                ->orderBy('id')
                ->get()
                ->flatMap(
                    fn(RigJob $job): array => array_filter([
                        mb_stripos($job->title, $customer->name) === false ? null : "the title of job {$job->id}",
                        (int) $job->getAttribute('named_count') === 0
                            ? null
                            : "{$job->getAttribute('named_count')} revisions of job {$job->id}",
                    ]),
                )
                ->concat(
                    $customer
                        ->rigs()
                        ->where('name', 'ilike', $like)
                        ->orderBy('id')
                        ->get()
                        ->map(fn(Rig $rig): string => "the name of rig {$rig->id}"),
                )
                ->all(),
        );
    }

    /**
     * @param Collection<int, Photo> $photos whose rows are gone
     * @return list<string> files that no other photograph is kept in
     */
    private static function unused(Collection $photos): array
    {
        $used = Photo::query()->whereIn('sha256', $photos->pluck('sha256'))->pluck('sha256');

        return array_values($photos->pluck('sha256')->unique()->diff($used)->map(Photo::fileOf(...))->all());
    }
}
