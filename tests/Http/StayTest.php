<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Str;
use Tests\Rigs;

function stayingJob(User $user): RigJob
{
    $document = clone Rigs::demo('causeway');

    return app(Design::class)->create($user, $document->title, 'van', null, $document);
}

it('answers a stay with its days, replies and sizes', function (): void {
    $job = stayingJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    $stay = $this->postJson("/api/v1/jobs/{$job->id}/stay", ['view' => 'dcdc/whole'])->assertOk();
    expect($stay->json('run.useW'))
        ->toHaveCount(7 * 96)
        ->and($stay->json('run.batteries.0.share'))
        ->toHaveCount(7 * 96)
        ->and(count($stay->json('replies')))
        ->toBeGreaterThan(3)
        ->and($stay->json('sizes.from'))
        ->toBe('days');
    $byBank = $this->postJson("/api/v1/jobs/{$job->id}/stay", [
        'view' => 'dcdc/whole',
        'from' => 'bank',
        'value' => 400,
    ])->assertOk();
    expect($byBank->json('sizes.bankAh'))->toEqualWithDelta(400, 1)->and($byBank->json('sizes.from'))->toBe('bank');
});

it('says what is wrong with what is asked', function (array $body, string $at): void {
    $job = stayingJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->postJson("/api/v1/jobs/{$job->id}/stay", $body)
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', $at);
})->with([
    'no such view' => [['view' => 'moon/whole'], '/view'],
    'nothing to start from' => [['view' => 'as_found', 'from' => 'bank'], '/value'],
    'no such start' => [['view' => 'as_found', 'from' => 'mood', 'value' => 3], '/from'],
]);

it('gives its loads as a table, and reads one without storing it', function (): void {
    $job = stayingJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Technician));
    $text = $this->get("/api/v1/jobs/{$job->id}/loads")
        ->assertOk()
        ->assertHeader('content-type', 'text/csv; charset=utf-8')
        ->getContent();
    expect($text)->toContain('name,runs on,watts')->toContain('Compressor fridge,12 V,55,assumed');
    $read = $this->postJson("/api/v1/jobs/{$job->id}/loads", ['text' => $text])->assertOk();
    expect($read->json('loads.compressor_fridge.watts.value'))->toEqual(55);
    $this->postJson("/api/v1/jobs/{$job->id}/loads", ['text' => "name,runs on,watts\nA,12 V,many\n"])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/row/2/watts');
    expect($job->refresh()->head)->toBe(1);
});

it('changes a load by an edit that computes no rig anew', function (): void {
    $lead = $this->person(Role::Lead);
    $job = stayingJob($lead);
    $this->actingAs($lead);
    $hashes = fn(): array => array_column($this->getJson("/api/v1/jobs/{$job->id}")->json('views'), 'hash');
    $before = $hashes();
    $this->postJson("/api/v1/jobs/{$job->id}/edits", [
        'uuid' => (string) Str::uuid(),
        'base' => 1,
        'intent' => [
            'kind' => 'set_need',
            'path' => '/loads/lights/spans/h1',
            'value' => ['fromH' => 17, 'hours' => 6],
        ],
    ])->assertOk();
    expect($hashes())->toBe($before);
    $this->postJson("/api/v1/jobs/{$job->id}/edits", [
        'uuid' => (string) Str::uuid(),
        'base' => 2,
        'intent' => [
            'kind' => 'set_need',
            'path' => '/loads/lights/spans/h1',
            'value' => ['fromH' => 31, 'hours' => 6],
        ],
    ])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/needs/loads/lights/spans/h1/fromH');
});

it('reads a log of a monitor without storing it, and says which row is wrong', function (): void {
    $job = stayingJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Technician));
    $read = $this->postJson("/api/v1/jobs/{$job->id}/monitor-log", [
        'text' => "time,volts,amps\n2026-07-01T22:00:00Z,12.8,-5\n2026-07-01T22:30:00Z,12.8,-5\n",
    ])->assertOk();
    expect($read->json('hours.h22.watts'))->toEqualWithDelta(64, 0.1);
    $this->postJson("/api/v1/jobs/{$job->id}/monitor-log", ['text' => "time,volts,amps\nnow,12,-5\n"])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/row/2');
    expect($job->refresh()->head)->toBe(1);
});

it('sets two or three ways beside one another, by the prices of the workshop', function (): void {
    $lead = $this->person(Role::Lead);
    $job = stayingJob($lead);
    $this->actingAs($lead);
    $ask = fn(array $body): array => $this->postJson("/api/v1/jobs/{$job->id}/alternatives", [
        'view' => 'dcdc/whole',
        ...$body,
    ])
        ->assertOk()
        ->json('ways');
    expect($ask([]))->toHaveCount(3);
    $way = ['ways' => [['ah' => 300, 'chemistry' => 'lfp']]];
    [$before] = $ask($way);
    foreach (['battery-lfp-100', 'battery-lfp-200', 'battery-lfp-280'] as $code) {
        $body = (array) Hollin\Core\Parts\Stock::all()[$code]->toBody();
        $this->putJson("/api/v1/catalogue/offers/{$code}", ['price' => 2 * $body['price']] + $body)->assertOk();
    }
    expect($ask($way)[0]['cost'])->toEqualWithDelta(2 * $before['cost'], 2);
    $this->postJson("/api/v1/jobs/{$job->id}/alternatives", ['view' => 'dcdc/whole', 'ways' => [['ah' => -5]]])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/ways/0/ah');
    $budget = $this->postJson("/api/v1/jobs/{$job->id}/stay", [
        'view' => 'dcdc/whole',
        'from' => 'budget',
        'value' => 2500,
        'together' => ['coffee'],
    ])->assertOk();
    expect($budget->json('sizes.cost'))->toBeLessThanOrEqual(2501);
});
