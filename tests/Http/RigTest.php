<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Actions\EraseCustomer;
use App\Models\Rig;
use App\Models\Role;

it('is made with its first job, and a later job hangs on it with its kind and its owner', function (): void {
    $lead = $this->person(Role::Lead);
    $this->actingAs($lead);
    $first = $this->postJson('/api/v1/jobs', ['title' => 'Sedge van', 'kind' => 'van', 'customer' => 'Ash Tally'])
        ->assertCreated()
        ->json('id');
    [$row] = $this->getJson('/api/v1/jobs')->json('jobs');
    expect($row['rig'])->toBe('Sedge van');
    $second = $this->postJson('/api/v1/jobs', ['title' => 'Second bank', 'kind' => 'other', 'rig' => $row['rigId']])
        ->assertCreated()
        ->json('id');
    $jobs = $this->getJson("/api/v1/jobs?rig={$row['rigId']}")->json('jobs');
    expect(array_column($jobs, 'id'))
        ->toEqualCanonicalizing([$first, $second])
        ->and(array_unique(array_column($jobs, 'kind')))
        ->toBe(['van'])
        ->and(array_unique(array_column($jobs, 'customer')))
        ->toBe(['Ash Tally']);
    $this->postJson('/api/v1/rigs/' . $row['rigId'], ['name' => 'Sedge van, low roof', 'note' => 'keys in the locker'])
        ->assertOk()
        ->assertJson(['name' => 'Sedge van, low roof', 'kind' => 'van', 'note' => 'keys in the locker']);
    // Found by the name of the rig as well, whatever its jobs are called.
    expect($this->getJson('/api/v1/jobs?find=low%20roof')->json('jobs'))->toHaveCount(2);
});

it('is refused without a name, as no kind there is, and to another workshop', function (): void {
    $lead = $this->person(Role::Lead);
    $rig = app(Design::class)->create($lead, 'Sedge van', 'van', null)->rig ?? throw new LogicException('made with it');
    $this->actingAs($lead);
    $this->postJson("/api/v1/rigs/{$rig->id}", ['name' => ''])->assertUnprocessable();
    $this->postJson("/api/v1/rigs/{$rig->id}", ['kind' => 'boat'])->assertUnprocessable();
    $this->postJson('/api/v1/jobs', ['title' => 'x', 'kind' => 'van', 'rig' => $rig->id + 1])->assertNotFound();
    expect($rig->refresh()->name)->toBe('Sedge van');
    $this->actingAs($this->person(Role::Lead, 'Otter Yard'));
    $this->postJson('/api/v1/jobs', ['title' => 'x', 'kind' => 'van', 'rig' => $rig->id])->assertNotFound();
});

it('stays without its note when its owner is erased and the jobs are kept, and goes with the jobs', function (): void {
    foreach ([false, true] as $withJobs) {
        $lead = $this->person(Role::Lead);
        $owner = $lead->workshop->customers()->create(['name' => 'Ash Tally']);
        $rig = app(Design::class)->create($lead, 'Van of Ash Tally', 'van', $owner->id)->rig;
        $rig->update(['note' => 'Ash says the fridge trips']);
        expect(app(EraseCustomer::class)->alsoNamedIn($owner))->toContain("the name of rig {$rig->id}");
        app(EraseCustomer::class)($lead, $owner, $withJobs);
        $left = Rig::query()->find($rig->id);
        expect($left === null)
            ->toBe($withJobs)
            ->and($left?->note ?? '')
            ->toBe('')
            ->and($left?->customer_id)
            ->toBeNull();
    }
});
