<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Jobs\PrintSheet;
use App\Models\Role;
use App\Models\Sheet;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\Rigs;

it('queues a sheet and shows how far it is', function (): void {
    Queue::fake();
    $lead = $this->person(Role::Lead);
    $job = app(Design::class)->create($lead, 'x', 'van', null, Rigs::job());
    $id = $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/sheets", ['view' => 'as_found', 'paper' => 'a4'])
        ->assertStatus(202)
        ->assertJson(['status' => 'waiting'])
        ->json('id');
    Queue::assertPushed(PrintSheet::class);
    $this->getJson("/api/v1/sheets/{$id}")->assertOk();
    $this->getJson("/api/v1/sheets/{$id}/pdf")->assertNotFound();
    $this->actingAs($this->person(Role::Lead, 'Other shop'))
        ->getJson("/api/v1/sheets/{$id}")
        ->assertNotFound();
    $this->postJson("/api/v1/jobs/{$job->id}/sheets", ['view' => '<x>', 'paper' => 'a4'])->assertNotFound();
});

it('lets the printing browser in once, from this machine only', function (): void {
    $lead = $this->person(Role::Lead);
    $job = app(Design::class)->create($lead, 'x', 'van', null, Rigs::job());
    $token = str_repeat('a', 48);
    Sheet::query()->create([
        'rig_job_id' => $job->id,
        'user_id' => $lead->id,
        'revision' => 1,
        'view' => 'p/whole',
        'paper' => 'letter',
        'status' => 'printing',
        'token_hash' => hash('sha256', $token),
    ]);
    $this->call('POST', '/print-entry', ['token' => $token], server: ['REMOTE_ADDR' => '192.0.2.7'])->assertForbidden();
    $this->post('/print-entry', ['token' => $token])->assertRedirect(
        "/jobs/{$job->id}/sheet?view=p%2Fwhole&revision=1&paper=letter",
    );
    $this->assertAuthenticatedAs($lead);
    $this->post('/print-entry', ['token' => $token])->assertNotFound();
    // It reads the job of its sheet, and nothing else; and that no longer than it prints.
    $this->getJson("/api/v1/jobs/{$job->id}")->assertOk();
    $this->getJson('/api/v1/jobs')->assertForbidden();
    $this->getJson('/api/v1/jobs/' . jobOf($lead)->id)->assertForbidden();
    $this->getJson("/api/v1/jobs/{$job->id}/file")->assertForbidden();
    $this->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => Str::uuid()])->assertForbidden();
    $this->postJson('/api/v1/tokens', ['name' => 'kept'])->assertForbidden();
    Sheet::query()->update(['status' => 'done']);
    $this->getJson("/api/v1/jobs/{$job->id}")->assertForbidden();
});

it('says why when printing fails', function (): void {
    $lead = $this->person(Role::Lead);
    $job = app(Design::class)->create($lead, 'x', 'van', null, Rigs::job());
    $sheet = Sheet::query()->create([
        'rig_job_id' => $job->id,
        'user_id' => $lead->id,
        'revision' => 1,
        'view' => 'as_found',
        'paper' => 'a4',
        'status' => 'waiting',
    ]);
    config(['hollin.chromium' => '/no/such/browser']);
    $print = new PrintSheet($sheet->id);
    try {
        $print->handle();
    } catch (Throwable $e) {
        $print->failed($e);
    }
    expect($sheet->refresh()->status)
        ->toBe('failed')
        ->and($sheet->trouble)
        ->toContain('print from the browser')
        ->and($sheet->token_hash)
        ->toBeNull();
});
