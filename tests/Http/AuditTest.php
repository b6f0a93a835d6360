<?php

declare(strict_types=1);

use App\Actions\EraseCustomer;
use App\Actions\People;
use App\Files\Shelf;
use App\Models\AuditEntry;
use App\Models\Photo;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\Sheet;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** @return list<string> what the log says of a workshop, earliest first */
function auditOf(App\Models\User $user): array
{
    return AuditEntry::query()
        ->where('workshop_id', $user->workshop_id)
        ->with('user')
        ->orderBy('id')
        ->get()
        ->map(fn(AuditEntry $e): string => ($e->user?->name ?? 'nobody') . ' ' . $e->words())
        ->all();
}

describe('the audit log', function (): void {
    it('tells of ways in, denials, roles and what is carried out', function (): void {
        $lead = $this->person(Role::Lead);
        $learn = $this->person(Role::Apprentice);
        $job = jobOf($lead);
        $this->postJson('/api/v1/session', ['email' => $lead->email, 'password' => 'wrong words here']);
        $this->postJson('/api/v1/session', ['email' => $lead->email, 'password' => 'rowan-and-lath'])->assertOk();
        $this->getJson("/api/v1/jobs/{$job->id}/file")->assertOk();
        $token = $this->postJson('/api/v1/tokens', ['name' => 'display'])->json('token.id');
        $this->deleteJson("/api/v1/tokens/{$token}")->assertNoContent();
        $this->postJson("/api/v1/people/{$learn->id}/role", ['role' => 'technician'])->assertNoContent();
        $this->postJson("/api/v1/people/{$learn->id}/role", ['role' => 'apprentice'])->assertNoContent();
        $this->deleteJson('/api/v1/session')->assertNoContent();
        auth()->forgetGuards();
        $this->actingAs($learn->refresh())->getJson('/api/v1/people')->assertForbidden();
        expect(auditOf($lead))->toBe([
            'Lead technician was refused at sign-in: wrong password',
            'Lead technician signed in',
            "Lead technician took out the job file of job {$job->id}, revision 1",
            'Lead technician made the token "display", reading only',
            'Lead technician took back the token "display"',
            'Lead technician made Apprentice technician, before apprentice',
            'Lead technician made Apprentice apprentice, before technician',
            'Lead technician signed out',
            'Apprentice was denied GET /people: A lead technician manages people; ask one.',
        ]);
    });

    it('only grows: the database changes and removes no line', function (string $statement): void {
        app(People::class)->invite($this->person(Role::Lead), 'Wren', Role::Lead);
        expect(fn() => DB::transaction(fn() => DB::statement($statement)))->toThrow(
            QueryException::class,
            'only grows',
        );
        expect(AuditEntry::query()->count())->toBe(1);
    })->with(["UPDATE audit_entries SET what = 'x'", 'DELETE FROM audit_entries', 'TRUNCATE audit_entries']);

    it('holds no password, no token, no address that was typed', function (): void {
        $this->postJson('/api/v1/session', ['email' => 'secretly@hollin.test', 'password' => 'my secret words']);
        $lead = $this->person(Role::Lead);
        $made = $this->actingAs($lead)
            ->postJson('/api/v1/people/invitations', ['name' => 'Wren', 'role' => 'lead'])
            ->json('address');
        $text = $this->postJson('/api/v1/tokens', ['name' => 'display'])->json('text');
        $all = AuditEntry::query()->get()->toJson();
        expect($all)
            ->not->toContain('secretly')
            ->not->toContain('my secret words')
            ->not->toContain(explode('#', $made)[1])
            ->not->toContain(explode('|', $text)[1]);
    });

    it('is read by a lead, page by page, and by no other workshop', function (): void {
        $lead = $this->person(Role::Lead);
        for ($i = 0; $i < 120; $i++) {
            app(People::class)->invite($lead, "Wren {$i}", Role::Apprentice);
        }
        app(People::class)->invite($this->person(Role::Lead, 'Otter Yard'), 'Elsewhere', Role::Lead);
        $this->actingAs($lead);
        $first = $this->getJson('/api/v1/audit')->assertOk()->json();
        $second = $this->getJson('/api/v1/audit?before=' . end($first['entries'])['id'])->json();
        expect($first['more'])
            ->toBeTrue()
            ->and($second['more'])
            ->toBeFalse()
            ->and(count($first['entries']) + count($second['entries']))
            ->toBe(120)
            ->and($first['entries'][0]['words'])
            ->toContain('Wren 119');
    });
});

describe('erasing a customer', function (): void {
    beforeEach(function (): void {
        Storage::fake('local');
        $this->lead = $this->person(Role::Lead);
        $this->job = jobOf($this->lead);
        $this->customer = $this->lead->workshop->customers()->create(['name' => 'Ash & "Elm" Tally']);
        $this->job->update(['customer_id' => $this->customer->id]);
        $bytes = 'a picture';
        $this->photo = Photo::query()->create([
            'rig_job_id' => $this->job->id,
            'user_id' => $this->lead->id,
            'component' => 'inlet',
            'sha256' => hash('sha256', $bytes),
            'bytes' => strlen($bytes),
            'width' => 1,
            'height' => 1,
        ]);
        Shelf::put($this->photo->file(), $bytes);
        Shelf::put('sheets/1.pdf', 'a sheet with a name');
        Sheet::query()->create([
            'rig_job_id' => $this->job->id,
            'user_id' => $this->lead->id,
            'revision' => 1,
            'view' => 'as_found',
            'paper' => 'letter',
            'status' => 'done',
            'file' => 'sheets/1.pdf',
        ]);
        $this->actingAs($this->lead);
    });

    it('takes the name, photographs and sheets, and keeps what was wired', function (): void {
        $this->postJson("/api/v1/customers/{$this->customer->id}/erase", [
            'name' => 'Ash & "Elm" Tally',
            'jobs' => 'keep',
        ])
            ->assertOk()
            ->assertExactJson(['jobs' => 0, 'photos' => 1, 'sheets' => 1]);
        expect(Storage::disk('local')->allFiles())
            ->toBe([])
            ->and($this->job->refresh()->customer_id)
            ->toBeNull()
            ->and($this->job->revisions()->count())
            ->toBe(1)
            ->and(implode(' ', auditOf($this->lead)))
            ->toContain("erased customer {$this->customer->id}")
            ->not->toContain('Tally');
    });

    it('takes the jobs too when that is said', function (): void {
        $this->postJson("/api/v1/customers/{$this->customer->id}/erase", [
            'name' => 'Ash & "Elm" Tally',
            'jobs' => 'remove',
        ])->assertOk();
        expect(RigJob::query()->whereKey($this->job->id)->exists())->toBeFalse();
    });

    it('wants the name once more, and erases nobody else', function (): void {
        $address = "/api/v1/customers/{$this->customer->id}/erase";
        $this->postJson($address, ['name' => 'Ash', 'jobs' => 'remove'])
            ->assertStatus(422)
            ->assertJsonPath('problems.0.pointer', '/name');
        $this->postJson($address, ['name' => 'Ash & "Elm" Tally'])->assertStatus(422);
        expect(RigJob::query()->whereKey($this->job->id)->exists())->toBeTrue();
    });

    it('keeps a file that another photograph is kept in', function (): void {
        $other = jobOf($this->lead);
        $this->photo
            ->replicate()
            ->fill(['rig_job_id' => $other->id])
            ->save();
        app(EraseCustomer::class)($this->lead, $this->customer, true);
        expect(Storage::disk('local')->allFiles())->toBe([$this->photo->file()]);
    });

    it('says where else the name stands', function (): void {
        $this->job->update(['title' => 'Trailer of Ash & "Elm" Tally']);
        postEdit($this, $this->job, 1, ['kind' => 'set_title', 'title' => 'Trailer of Ash & "Elm" Tally']);
        expect($this->getJson("/api/v1/customers/{$this->customer->id}/traces")->json('alsoNamedIn'))->toBe([
            "the title of job {$this->job->id}",
            "1 revisions of job {$this->job->id}",
        ]);
    });
});
