<?php

declare(strict_types=1);

use App\Console\Commands\Documents;
use App\Models\Role;
use Hollin\Core\Components\Catalogue;
use Hollin\Core\Components\PartSchema;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Document\Schema;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Opis\JsonSchema\Validator;
use Tests\Rigs;

it('finds every document made from the code up to date', function (): void {
    foreach (Documents::all() as $file => $text) {
        expect(is_file(base_path($file)))
            ->toBeTrue($file)
            ->and(file_get_contents(base_path($file)))
            ->toBe($text, "{$file} is stale: run php artisan hollin:documents");
    }
});

it('has a route for every path of the description, and none besides', function (): void {
    $described = [];
    foreach (
        json_decode((string) file_get_contents(base_path('docs/openapi.json')), true)['paths']
        as $path => $methods
    ) {
        foreach (array_keys($methods) as $method) {
            $described[] = strtoupper($method) . " /api/v1{$path}";
        }
    }
    $routed = [];
    foreach (app('router')->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/')) {
            $routed[] = $route->methods()[0] . ' /' . $route->uri();
        }
    }
    sort($described);
    sort($routed);
    expect($routed)->toBe($described);
});

it('publishes a schema that accepts the annotated examples of the guide', function (): void {
    $guide = (string) file_get_contents(base_path('docs/job-file.md'));
    preg_match_all('/```json\n(.*?)```/s', $guide, $found);
    expect(count($found[1]))->toBeGreaterThan(5);
    $schema = Schema::document();
    foreach ($found[1] as $text) {
        $value = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
        if (isset($value->hollin)) {
            expect(JobFile::read($text)->title)->not->toBe('');
            continue;
        }
        foreach (get_object_vars($value) as $id => $component) {
            if (isset($component->type)) {
                expect(PartSchema::problems($component, "/{$id}"))->toBe([]);
            }
        }
    }
    expect((new Validator())->validate(Rigs::job(), $schema)->isValid())->toBeTrue();
    foreach (Catalogue::types() as $type => $class) {
        preg_match("/^\| `{$type}` \|[^|]*\|([^|]*)\|/m", $guide, $row);
        preg_match_all('/`(\w+)`/', $row[1] ?? '', $ports);
        expect($ports[1])->toBe($class::portNames(), "ports of {$type} in the guide");
    }
});

it('hands out reference data for every rule and form', function (): void {
    $response = $this->actingAs($this->person(Role::Apprentice))->getJson('/api/v1/reference')->assertOk();
    expect($response->json('rules'))
        ->toHaveCount(count(RuleBook::rules()))
        ->and($response->json('forms.circuit.fields.cable.kind'))
        ->toBe('group')
        ->and($response->json('conductors'))
        ->not->toBeEmpty();
});

describe('hollin:check', function (): void {
    $write = function (string $text): string {
        $file = tempnam(sys_get_temp_dir(), 'hollin');
        file_put_contents((string) $file, $text);

        return (string) $file;
    };

    it('exits 1 on a danger and prints it with its arithmetic', function () use ($write): void {
        $file = $write(JobFile::write(Rigs::job(Sample::choose('in_line', ['converter' => 'left']))));
        $this->artisan('hollin:check', ['file' => $file])
            ->expectsOutputToContain('The bank charges itself')
            ->assertExitCode(1);
    });

    it('exits 0 when nothing dangerous is found', function () use ($write): void {
        $this->artisan('hollin:check', ['file' => $write(JobFile::write(Rigs::job(Sample::choose('in_line'))))])
            ->expectsOutputToContain('made impossible: two sources joined')
            ->assertExitCode(0);
    });

    it('exits 2 with pointers on what it cannot read', function (string $text, string $said) use ($write): void {
        $this->artisan('hollin:check', ['file' => $write($text), '--json' => true])
            ->expectsOutputToContain($said)
            ->assertExitCode(2);
    })->with([
        ['{', 'is not JSON'],
        ['{"hollin":"job","format":1}', 'lacks'],
        [JobFile::write((object) (['format' => 2] + get_object_vars(JobFile::blank('x')))), '/format'],
    ]);

    it('says so when there is no such file', function (): void {
        $this->artisan('hollin:check', ['file' => '/no/such/file.json'])->assertExitCode(2);
    });

    it('prints a label with control characters and tags as plain text', function () use ($write): void {
        $document = Rigs::edit(Rigs::job(), Sample::survey('c_air', '/label', "<error>x</error>\x1b[31mred"));
        Illuminate\Support\Facades\Artisan::call('hollin:check', ['file' => $write(JobFile::write($document))]);
        expect(Illuminate\Support\Facades\Artisan::output())
            ->toContain('<error>x</error>[31mred')
            ->not->toContain("\x1b");
    });
});

it('has no two shapes of one name: the later would be lost', function (): void {
    $names = [];
    foreach ([App\Http\SizingShapes::class, App\Http\PartShapes::class, App\Http\ReferenceShapes::class] as $shapes) {
        $names = [...$names, ...array_keys($shapes::all())];
    }
    $names = [...$names, ...array_keys(Hollin\Core\Answers\Shape::definitions())];
    expect(array_unique($names))->toHaveCount(count($names));
    $described = json_decode((string) file_get_contents(base_path('docs/openapi.json')))->components->schemas;
    expect(array_diff($names, array_keys((array) $described)))->toBe([]);
});
