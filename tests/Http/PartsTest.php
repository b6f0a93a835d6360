<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\Role;
use Tests\Rigs;

it('gives what a plan takes, cut from the stock that is bought', function (): void {
    $lead = $this->person(Role::Lead);
    $job = app(Design::class)->create($lead, 'Bench', 'van', null, clone Rigs::demo('tideline'));
    $this->actingAs($this->person(Role::Apprentice));
    $list = $this->getJson("/api/v1/jobs/{$job->id}/parts?view=line/whole&stockM=3.048")->assertOk();
    expect($list->json('stockM'))->toEqualWithDelta(3.048, 1e-9)->and(count($list->json('cables')))->toBeGreaterThan(3);
    foreach ($list->json('cables') as $cable) {
        foreach ($cable['pieces'] as $piece) {
            expect(array_sum(array_column($piece, 'cutM')))->toBeLessThanOrEqual(3.05);
        }
    }
    $this->getJson("/api/v1/jobs/{$job->id}/parts?view=moon/whole")
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/view');
    $this->getJson("/api/v1/jobs/{$job->id}/parts?view=line/whole&stockM=0")
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/stockM');
    expect(
        $this->getJson("/api/v1/jobs/{$job->id}/parts?view=as_found")
            ->assertOk()
            ->json('parts'),
    )->toBe([]);
});
