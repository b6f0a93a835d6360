<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\Role;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Str;
use Tests\Rigs;

it('decides by the intent it carries out, whatever the query says', function (): void {
    $lead = $this->person(Role::Lead);
    $document = Rigs::job(Sample::choose('in_line'));
    $job = app(Design::class)->create($lead, $document->title, 'travel_trailer', null, $document);
    $this->actingAs($this->person(Role::Apprentice));
    $body = fn(array $intent): array => ['uuid' => (string) Str::uuid(), 'base' => 1, 'intent' => $intent];
    $this->postJson(
        "/api/v1/jobs/{$job->id}/edits?intent[kind]=survey_set",
        $body(['kind' => 'remove_plan', 'plan' => 'p']),
    )->assertForbidden();
    $this->postJson(
        "/api/v1/jobs/{$job->id}/edits?intent[kind]=remove_plan",
        $body(Sample::survey('c_air', '/label', 'Roof unit')),
    )->assertOk();
    expect($job->refresh()->head)
        ->toBe(2)
        ->and(isset($job->revision(2)->decoded()->plans->p))
        ->toBeTrue();
});
