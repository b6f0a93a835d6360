<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use App\Models\Workshop;
use Hollin\Core\Build\Kind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * The demo workshop: invented people, invented customers, and their rigs with real trouble in them
 * ({@see DemoRigs}). Made by the same edits a person makes.
 */
final class DemoSeeder extends Seeder
{
    public const PASSWORD = 'rowan-and-lath';

    /** @var array<string, array{string, Role}> */
    public const PEOPLE = [
        'lead@hollin.test' => ['Maren Voss', Role::Lead],
        'tech@hollin.test' => ['Idris Quill', Role::Technician],
        'learn@hollin.test' => ['Posy Tarn', Role::Apprentice],
    ];

    /** What the demo people sign in with: known, unless others than this machine can reach them. */
    public static function password(): string
    {
        $made = config('hollin.demo_password');

        return is_string($made) && $made !== '' ? $made : self::PASSWORD;
    }

    /** @return Builder<User> the demo people of this copy */
    public static function people(): Builder
    {
        return User::query()->whereIn('email', array_keys(self::PEOPLE));
    }

    public function run(Design $design, DemoWork $work): void
    {
        DB::transaction(fn() => $this->make($design, $work));
    }

    private function make(Design $design, DemoWork $work): void
    {
        if (self::people()->exists()) {
            return;
        }
        $workshop = Workshop::query()->create([
            'name' => 'Lathe Lane Rig Works',
            'timezone' => 'America/Chicago',
            'hour_price' => 92,
            'currency' => 'USD',
        ]);
        $make = fn(string $email): User => $workshop->users()->create([
            'name' => self::PEOPLE[$email][0],
            'email' => $email,
            'role' => self::PEOPLE[$email][1],
            'password' => self::password(),
        ]);
        $lead = $make('lead@hollin.test');
        $technician = $make('tech@hollin.test');
        $apprentice = $make('learn@hollin.test');
        $jobs = [];
        foreach (DemoRigs::all() as $name => $rig) {
            $customer = $workshop->customers()->create(['name' => $rig['customer']]);
            $job = $design->create($lead, $rig['title'], $rig['kind'], $customer->id);
            foreach ($rig['survey'] as $intent) {
                $this->edit($design, $job, $apprentice, $intent);
            }
            foreach ($rig['plans'] as $intent) {
                $this->edit($design, $job, $technician, $intent);
            }
            $jobs[$name] = $job;
        }
        $work->let($jobs['tideline'], $lead, 'line', 0, 4);
        $work->begin($jobs['tideline'], 'line', Kind::Isolate, [$technician, $apprentice]);
        $work->say($jobs['tideline'], $apprentice, [
            [
                'defect',
                ['words' => 'crack in the lid of the inlet, before anything was touched', 'component' => 'inlet'],
            ],
            ['wire', ['where' => 'behind the locker, cut off', 'jacket' => 'white, 14/2, no print', 'cut' => true]],
        ]);
        $work->let($jobs['causeway'], $lead, 'dcdc', 2, 5);
        $work->say($jobs['causeway'], $lead, [
            ['arrival', ['key' => 'dcdc', 'date' => now()->addDays(4)->toDateString()]],
        ]);
        $empty = $workshop->customers()->create(['name' => 'Saltmarsh Choir']);
        $design->create($lead, 'Choir caravan, not surveyed yet', 'travel_trailer', $empty->id);
    }

    /** @param array<string, mixed> $intent */
    private function edit(Design $design, RigJob $job, User $user, array $intent): void
    {
        $design->edit(
            $job,
            $user,
            (string) Str::uuid(),
            $job->refresh()->head,
            json_decode((string) json_encode($intent, JSON_PRESERVE_ZERO_FRACTION), false, 32, JSON_THROW_ON_ERROR),
        );
    }
}
