<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\Role;
use Hollin\Core\Parts\Stock;
use Tests\Rigs;

it('begins with generic parts, and keeps what the workshop writes over them', function (): void {
    $this->actingAs($this->person(Role::Technician));
    $start = $this->getJson('/api/v1/catalogue')->assertOk();
    expect($start->json('offers'))->toHaveCount(count(Stock::all()))->and($start->json('hour'))->toBeNull();
    $body = (array) Stock::all()['inverter-1000']->toBody();
    $after = $this->putJson('/api/v1/catalogue/offers/inverter-1000', ['price' => 199.5, 'known' => true] + $body)
        ->assertOk()
        ->json('offers');
    $ours = array_column($after, null, 'code')['inverter-1000'];
    expect($ours['own'])->toBeTrue()->and($ours['body']['price'])->toBe(199.5);
    $this->deleteJson('/api/v1/catalogue/offers/label')->assertOk();
    $this->putJson('/api/v1/catalogue/terms', ['hour' => 95, 'currency' => 'EUR'])->assertOk();
    $left = $this->getJson('/api/v1/catalogue')->assertOk();
    expect(array_column($left->json('offers'), 'code'))
        ->not->toContain('label')
        ->and($left->json('hour'))
        ->toEqual(95)
        ->and($left->json('currency'))
        ->toBe('EUR');
    // Another workshop has its own.
    $other = App\Models\Workshop::create(['name' => 'Other', 'timezone' => 'UTC']);
    expect(app(App\Actions\Catalogue::class)->offers($other))->toHaveKey('label');
});

it('says what of an offer cannot be', function (string $code, array $body, string $at): void {
    $this->actingAs($this->person(Role::Lead));
    $this->putJson("/api/v1/catalogue/offers/{$code}", $body)
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', $at);
    expect($this->getJson('/api/v1/catalogue')->json('offers'))->toHaveCount(count(Stock::all()));
})->with([
    'no code' => ['A%20B', ['kind' => 'lug', 'name' => 'x'], '/code'],
    'no such kind' => ['x', ['kind' => 'gizmo', 'name' => 'x'], '/kind'],
    'a price below nothing' => ['x', ['kind' => 'lug', 'name' => 'x', 'price' => -1], '/price'],
    'no name' => ['x', ['kind' => 'lug', 'name' => ''], '/name'],
]);

it('leaves prices to technicians and leads', function (): void {
    $this->actingAs($this->person(Role::Apprentice));
    $this->getJson('/api/v1/catalogue')->assertOk();
    $this->putJson('/api/v1/catalogue/offers/x', ['kind' => 'lug', 'name' => 'x'])->assertForbidden();
    $this->putJson('/api/v1/catalogue/terms', ['hour' => 1, 'currency' => ''])->assertForbidden();
    $this->postJson('/api/v1/catalogue/file', ['text' => "code,kind,name\nx,lug,X\n"])->assertForbidden();
    $this->deleteJson('/api/v1/catalogue/offers/label')->assertForbidden();
});

it('goes out as a table and comes in as one, all of it or nothing', function (): void {
    $this->actingAs($this->person(Role::Lead));
    $text = (string) $this->get('/api/v1/catalogue/file')
        ->assertOk()
        ->assertHeader('content-type', 'text/csv; charset=utf-8')
        ->getContent();
    expect($text)->toStartWith('code,kind,name,price');
    $this->postJson('/api/v1/catalogue/file', ['text' => $text . "special,tool,Special,12\n"])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/row/' . (count(Stock::all()) + 2));
    $this->postJson('/api/v1/catalogue/file', [
        'text' => "code,kind,name,price\nspecial,tool,Special,12\n",
    ])->assertOk();
    $codes = array_column($this->getJson('/api/v1/catalogue')->json('offers'), 'code');
    expect($codes)->toContain('special')->toContain('inverter-1000');
});

it('moves what a plan costs, and takes what is chosen', function (): void {
    $lead = $this->person(Role::Lead);
    $document = clone Rigs::demo('grafting');
    $job = app(Design::class)->create($lead, $document->title, 'travel_trailer', null, $document);
    $this->actingAs($lead);
    $list = fn(): array => $this->getJson("/api/v1/jobs/{$job->id}/parts?view=panel/whole")
        ->assertOk()
        ->json();
    $before = $list();
    $line = fn(array $list): array => array_column($list['costs']['lines'], null, 'component')['inverter'];
    expect($before['costs']['material'])
        ->toEqualWithDelta(array_sum(array_column($before['costs']['lines'], 'total')), 0.02)
        ->and($before['costs']['labour'])
        ->toBeNull();
    $code = $line($before)['code'];
    $body = (array) Stock::all()[$code]->toBody();
    $this->putJson("/api/v1/catalogue/offers/{$code}", ['price' => $body['price'] - 100] + $body)->assertOk();
    $this->putJson('/api/v1/catalogue/terms', ['hour' => 80, 'currency' => 'EUR'])->assertOk();
    $after = $list();
    expect($after['costs']['material'])
        ->toEqualWithDelta($before['costs']['material'] - 100, 0.02)
        ->and($after['costs']['labour'])
        ->toEqualWithDelta($after['costs']['hours'] * 80, 0.5);
    $other = array_column($after['choices'], null, 'component')['bank']['candidates'][1]['code'];
    $this->postJson("/api/v1/jobs/{$job->id}/edits", [
        'uuid' => (string) Illuminate\Support\Str::uuid(),
        'base' => 1,
        'intent' => ['kind' => 'set_need', 'path' => '/chosen/bank', 'value' => $other],
    ])->assertOk();
    expect(array_column($list()['choices'], null, 'component')['bank']['taken'])->toBe($other);
});
