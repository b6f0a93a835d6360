<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\Role;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Facades\DB;
use Tests\Rigs;

/** @return array<string, array<string, mixed>> the floor by title */
function floorOf(Tests\TestCase $test, string $query = ''): array
{
    return array_column(
        $test
            ->getJson("/api/v1/jobs{$query}")
            ->assertOk()
            ->json('jobs'),
        null,
        'title',
    );
}

it('tells what blocks each job and what is done next', function (): void {
    $lead = $this->person(Role::Lead);
    $this->actingAs($lead);
    $design = app(Design::class);
    $design->create($lead, 'Empty', 'van', null);
    $loop = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_converter' => true], 'converter' => 'left']));
    $loop->title = 'Loop';
    $design->create($lead, 'Loop', 'van', null, $loop);
    $surveyed = Rigs::edit(Hollin\Core\Document\JobFile::blank('Surveyed'), [
        'kind' => 'lay_out',
        'layout' => 'bare_30',
    ]);
    $surveyed = Rigs::edit($surveyed, ['kind' => 'set_walk', 'item' => 'tug', 'verdict' => 'fault']);
    $design->create($lead, 'Surveyed', 'van', null, $surveyed);
    $floor = floorOf($this);
    expect($floor['Empty']['next'])
        ->toBe('Survey the rig as found')
        ->and($floor['Empty']['blocks'])
        ->toBe(['nothing surveyed'])
        ->and($floor['Loop']['dangers'])
        ->toBeGreaterThan(0)
        ->and($floor['Loop']['next'])
        ->toBe('Work through the dangers')
        ->and($floor['Loop']['blocks'])
        ->toContain(
            ($floor['Loop']['dangers'] === 1 ? '1 danger open' : "{$floor['Loop']['dangers']} dangers open") .
                " in “{$floor['Loop']['plan']}”",
        )
        ->and($loop->plans->{array_key_first(get_object_vars($loop->plans))}->title)
        ->toBe($floor['Loop']['plan'])
        ->and($floor['Surveyed']['blocks'])
        ->toContain('no plan')
        ->toContain('1 fault from the walk round')
        ->and($floor['Surveyed']['assumed'])
        ->toBe(6);
});

it('counts the dangers the plan itself shows, not those of a faulty pedestal', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $floor = array_values(floorOf($this))[0];
    $answer = $this->getJson("/api/v1/jobs/{$job->id}?want=p/whole")->json('answers');
    $findings = array_values($answer)[0]['findings'];
    $own = array_filter(
        $findings,
        fn(array $f): bool => $f['severity'] === 'danger' && $f['ways']['kind'] !== 'outside',
    );
    expect($floor['dangers'])->toBe(count($own));
});

it('finds by words of rig and customer, in one\'s own workshop alone', function (): void {
    $lead = $this->person(Role::Lead);
    $this->actingAs($lead);
    foreach ([['Hive trailer', 'Ash & Moss'], ['Choir van', 'Ash & Moss'], ['100%_van', 'Fern']] as [$title, $whose]) {
        $this->postJson('/api/v1/jobs', ['title' => $title, 'kind' => 'van', 'customer' => $whose])->assertCreated();
    }
    $titles = fn(string $find): array => array_keys(floorOf($this, '?find=' . rawurlencode($find)));
    expect($titles('hive'))
        ->toBe(['Hive trailer'])
        ->and($titles('ash van'))
        ->toBe(['Choir van'])
        ->and($titles('%_'))
        ->toBe(['100%_van'])
        ->and($titles('owl'))
        ->toBe([]);
    $customer = floorOf($this)['Choir van']['customerId'];
    expect(array_keys(floorOf($this, "?customer={$customer}")))->toEqualCanonicalizing(['Hive trailer', 'Choir van']);
    $this->actingAs($this->person(Role::Lead, 'Otter Yard'));
    expect(floorOf($this, "?customer={$customer}"))->toBe([])->and(floorOf($this, '?find=van'))->toBe([]);
});

it('says who is on a job now', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $this->postJson("/api/v1/jobs/{$job->id}/here", ['tab' => 't', 'revision' => 1, 'place' => 'plan'])->assertOk();
    expect(array_values(floorOf($this))[0]['here'])->toBe([$lead->name]);
    DB::table('presences')->update(['seen_at' => now()->subMinutes(5)]);
    expect(array_values(floorOf($this))[0]['here'])->toBe([]);
});
