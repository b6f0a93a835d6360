<?php

declare(strict_types=1);

use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** A JPEG with a position and a camera's name in its metadata. */
function picture(int $width = 40, int $height = 30): string
{
    $image = imagecreatetruecolor($width, $height);
    imagefilledrectangle($image, 0, 0, $width, $height, (int) imagecolorallocate($image, 30, 90, 50));
    ob_start();
    imagejpeg($image);
    $jpeg = (string) ob_get_clean();
    $exif = "Exif\0\0MM\0*\0\0\0\x08GPSLatitude 51.5 CameraSerial 4711";

    return substr($jpeg, 0, 2) . "\xFF\xE1" . pack('n', strlen($exif) + 2) . $exif . substr($jpeg, 2);
}

function upload(string $bytes, string $name = 'behind-the-cover.jpg'): UploadedFile
{
    return UploadedFile::fake()->createWithContent($name, $bytes);
}

beforeEach(fn() => Storage::fake('local'));

it('keeps a photograph against a component, without its metadata', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    expect(picture())->toContain('GPSLatitude');
    $row = $this->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => upload(picture()), 'component' => 'main_panel', 'note' => 'behind the cover'],
        ['Accept' => 'application/json'],
    )
        ->assertCreated()
        ->json();
    $file = $this->get("/api/v1/photos/{$row['id']}")
        ->assertOk()
        ->assertHeader('Content-Type', 'image/jpeg')
        ->streamedContent();
    expect($row['component'])
        ->toBe('main_panel')
        ->and($row['width'])
        ->toBe(40)
        ->and($file)
        ->not->toContain('GPSLatitude')
        ->not->toContain('CameraSerial');
    $this->getJson("/api/v1/jobs/{$job->id}/photos")->assertJsonPath('photos.0.note', 'behind the cover');
});

it('keeps one file for the same picture twice, and none when both are removed', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $add = fn(string $component): int => $this->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => upload(picture()), 'component' => $component],
        ['Accept' => 'application/json'],
    )
        ->assertCreated()
        ->json('id');
    [$a, $b] = [$add('main_panel'), $add('inlet')];
    expect(Storage::disk('local')->allFiles('photos'))
        ->toHaveCount(1)
        ->and($add('inlet'))
        ->toBe($b);
    $this->deleteJson("/api/v1/photos/{$a}")->assertNoContent();
    expect(Storage::disk('local')->allFiles('photos'))->toHaveCount(1);
    $this->deleteJson("/api/v1/photos/{$b}")->assertNoContent();
    expect(Storage::disk('local')->allFiles('photos'))->toBe([]);
});

it('makes a large picture smaller', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => upload(picture(4000, 1000)), 'component' => 'inlet'],
        ['Accept' => 'application/json'],
    )
        ->assertCreated()
        ->assertJsonPath('width', 2560)
        ->assertJsonPath('height', 640);
});

it('refuses what is no picture, and what it cannot hang it on', function (
    string $bytes,
    string $name,
    string $component,
    string $said,
): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => upload($bytes, $name), 'component' => $component],
        ['Accept' => 'application/json'],
    )
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.message', fn(string $m): bool => str_contains($m, $said));
    expect(Storage::disk('local')->allFiles('photos'))->toBe([]);
})->with([
    'a program named like a picture' => ['<?php echo 1;', 'x.jpg', 'inlet', 'not a JPEG'],
    'HEIC' => ["\0\0\0\x18ftypheic\0\0\0\0", 'x.heic', 'inlet', 'most compatible'],
    'SVG with script' => ['<svg onload="alert(1)"/>', 'x.png', 'inlet', 'not a JPEG'],
    'half a picture' => [substr(picture(), 0, 60), 'x.jpg', 'inlet', ''],
    'no such component' => [picture(), 'x.jpg', 'the_moon', 'no component'],
]);

it('keeps photographs in the workshop', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $id = $this->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => upload(picture()), 'component' => 'inlet'],
        ['Accept' => 'application/json'],
    )->json('id');
    $this->actingAs($this->person(Role::Lead, 'Other shop'));
    $this->getJson("/api/v1/photos/{$id}")->assertNotFound();
    $this->deleteJson("/api/v1/photos/{$id}")->assertNotFound();
    $this->getJson("/api/v1/jobs/{$job->id}/photos")->assertNotFound();
});

it('asks for readings before anything is disconnected and judges them', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    $points = array_column(
        $this->getJson("/api/v1/jobs/{$job->id}/baseline")
            ->assertOk()
            ->json('points'),
        null,
        'id',
    );
    expect($points)
        ->toHaveKeys([
            'rest_house',
            'bond_main_panel',
            'frame_main_panel',
            'converter_converter',
            'polarity_c_outlets',
            'skin',
        ])
        ->and($points['rest_house']['lowest'])
        ->toBeGreaterThan(11)
        ->and($points['rest_house']['highest'])
        ->toBeLessThan(13.2)
        ->and($points['polarity_c_outlets']['expected'])
        ->toStartWith('says correct');
    $record = fn(string $what, array $read) => $this->postJson(
        "/api/v1/jobs/{$job->id}/readings",
        ['uuid' => (string) Str::uuid(), 'what' => $what, 'instrument' => 'bench meter 3'] + $read,
    );
    $record('rest_house', ['value' => 12.4])
        ->assertCreated()
        ->assertJsonPath('verdict', 'as expected')
        ->assertJsonPath('instrument', 'bench meter 3');
    $record('rest_house', ['value' => 9.1])
        ->assertCreated()
        ->assertJsonPath('verdict', 'not as expected');
    $record('bond_main_panel', ['words' => 'open'])
        ->assertCreated()
        ->assertJsonPath('verdict', 'as expected');
    $record('bond_main_panel', ['value' => 0.2])
        ->assertCreated()
        ->assertJsonPath('verdict', 'not as expected');
    $record('polarity_c_outlets', ['words' => 'says open ground'])
        ->assertCreated()
        ->assertJsonPath('verdict', 'not as expected');
    $record('the_moon', ['value' => 1])->assertUnprocessable();
    $record('skin', [])->assertUnprocessable();
    $this->getJson("/api/v1/jobs/{$job->id}/baseline")
        ->assertJsonCount(5, 'readings')
        ->assertJsonPath('readings.0.by', Role::Apprentice->label());
});

it('records a reading once however often it arrives', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $body = ['uuid' => (string) Str::uuid(), 'what' => 'skin', 'value' => 0.3];
    $first = $this->postJson("/api/v1/jobs/{$job->id}/readings", $body)
        ->assertCreated()
        ->json('id');
    expect($this->postJson("/api/v1/jobs/{$job->id}/readings", $body)->json('id'))->toBe($first);
});
