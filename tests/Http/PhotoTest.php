<?php

declare(strict_types=1);

use App\Files\Shelf;
use App\Jobs\DevelopPhoto;
use App\Models\Photo;
use App\Models\RigJob;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Tests\TestCase;

/* Photographs on bad days: a full disk, a damaged file, a picture that is none, and other people's. */

/** A PNG whose head says how large it is, and nothing else. */
function headOnly(int $width, int $height): string
{
    $head = 'IHDR' . pack('NNCCCCC', $width, $height, 8, 2, 0, 0, 0);

    return "\x89PNG\r\n\x1a\n" . pack('N', 13) . $head . pack('N', crc32($head));
}

function bring(TestCase $test, RigJob $job, string $bytes, string $component = 'inlet'): TestResponse
{
    return $test->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => UploadedFile::fake()->createWithContent('x.jpg', $bytes), 'component' => $component],
        ['Accept' => 'application/json'],
    );
}

function small(int $shade = 30): string
{
    $image = imagecreatetruecolor(40, 30);
    imagefilledrectangle($image, 0, 0, 40, 30, (int) imagecolorallocate($image, $shade, 90, 50));
    ob_start();
    imagejpeg($image);

    return (string) ob_get_clean();
}

beforeEach(function (): void {
    Storage::fake('local');
    $this->actingAs($this->lead = $this->person(Role::Lead));
    $this->job = jobOf($this->lead);
});

it('acknowledges nothing that could not be written whole', function (): void {
    // A disk that takes the first half of what it is given and says it took all.
    $disk = Mockery::mock(Storage::disk('local'))->makePartial();
    $disk->shouldReceive('put')->andReturnUsing(
        fn(string $file, string $bytes): bool => Storage::build([
            'driver' => 'local',
            'root' => Storage::disk('local')->path(''),
        ])->put($file, substr($bytes, 0, 100)),
    );
    Storage::set('local', $disk);
    bring($this, $this->job, small())->assertStatus(507);
    expect(Photo::query()->count())->toBe(0);
});

it('writes a file whole or not at all, and leaves nothing aside', function (): void {
    Shelf::put('photos/x', 'one');
    Shelf::put('photos/x', 'another');
    expect(Storage::disk('local')->get('photos/x'))
        ->toBe('another')
        ->and(Storage::disk('local')->allFiles())
        ->toBe(['photos/x'])
        ->and(Shelf::holds('photos/x', 7, hash('sha256', 'another')))
        ->toBeTrue()
        ->and(Shelf::holds('photos/x', 7, hash('sha256', 'one')))
        ->toBeFalse();
});

it('mends a damaged file when the same picture is brought again, and it stays whose it was', function (): void {
    $id = bring($this, $this->job, small())->assertCreated()->json('id');
    $photo = Photo::query()->findOrFail($id);
    Storage::disk('local')->put($photo->file(), substr((string) Storage::disk('local')->get($photo->file()), 0, 99));
    expect($photo->isWhole())->toBeFalse();
    $this->actingAs($this->person(Role::Technician));
    bring($this, $this->job, small())
        ->assertCreated()
        ->assertJsonPath('id', $id)
        ->assertJsonPath('by', $this->lead->name);
    expect($photo->refresh()->isWhole())
        ->toBeTrue()
        ->and($photo->user_id)
        ->toBe($this->lead->id)
        ->and(Photo::query()->count())
        ->toBe(1);
});

it('reads how large a picture is before anything is decoded', function (int $width, int $height): void {
    $before = memory_get_usage();
    memory_reset_peak_usage();
    bring($this, $this->job, headOnly($width, $height))
        ->assertStatus(422)
        ->assertJsonPath('problems.0.pointer', '/photo');
    expect(memory_get_peak_usage() - $before)->toBeLessThan(20_000_000);
})->with([[70_000, 1], [1, 70_000], [9_000, 9_000], [2_000_000_000, 2_000_000_000]]);

it('is being written anew until it is, and says when it cannot be', function (): void {
    Queue::fake();
    $row = bring($this, $this->job, small())->assertCreated()->assertJsonPath('status', 'waiting')->json();
    $this->getJson("/api/v1/photos/{$row['id']}")->assertNotFound();
    (new DevelopPhoto($row['id']))->handle();
    expect(
        $this->get("/api/v1/photos/{$row['id']}")
            ->assertOk()
            ->streamedContent(),
    )->not->toBe('');

    $bad = bring($this, $this->job, headOnly(300, 200), 'main_panel')->assertCreated()->json('id');
    (new DevelopPhoto($bad))->handle();
    $this->getJson("/api/v1/jobs/{$this->job->id}/photos")
        ->assertJsonPath('photos.1.status', 'failed')
        ->assertJsonPath('photos.1.trouble', 'is damaged and cannot be read.');
    expect(Storage::disk('local')->allFiles('incoming'))->toBe([]);
});

it('keeps what a workshop may have, and no more', function (): void {
    config(['hollin.photo_mb' => 1]);
    bring($this, $this->job, small())->assertCreated();
    Photo::query()->update(['bytes' => 1_000_000]);
    bring($this, $this->job, small(200))->assertStatus(422)->assertJsonPath('problems.0.pointer', '/photo');
});

it('lets an apprentice remove own photographs and nobody else\'s', function (): void {
    $id = bring($this, $this->job, small())->json('id');
    $this->actingAs($this->person(Role::Apprentice));
    $own = bring($this, $this->job, small(200))->json('id');
    $this->deleteJson("/api/v1/photos/{$id}")->assertForbidden();
    $this->deleteJson("/api/v1/photos/{$own}")->assertNoContent();
    $this->actingAs($this->person(Role::Technician));
    $this->deleteJson("/api/v1/photos/{$id}")->assertNoContent();
});

it('fails where there is no disk at all, and says so', function (): void {
    config([
        'hollin.disk' => 'nowhere',
        'filesystems.disks.nowhere' => ['driver' => 'local', 'root' => '/proc/nowhere'],
    ]);
    Shelf::put('photos/x', 'one');
})->throws(HttpException::class, 'could not be written whole');

it(
    'keeps a photograph as it came through a disk that is full while it is written anew, and tries again',
    function (): void {
        Queue::fake();
        $id = bring($this, $this->job, small())->assertCreated()->json('id');
        $photo = Photo::query()->findOrFail($id);
        $job = new DevelopPhoto($id);
        // The disk takes nothing; then the tries are used up.
        $full = Mockery::mock(Storage::disk('local'))->makePartial();
        $full->shouldReceive('put')->andReturn(false);
        $own = Storage::disk('local');
        Storage::set('local', $full);
        expect(fn() => $job->handle())->toThrow(HttpException::class);
        $job->failed(new RuntimeException('tried too often'));
        Storage::set('local', $own);
        expect($photo->refresh()->status)
            ->toBe('failed')
            ->and($photo->incoming)
            ->not->toBeNull()
            ->and(Shelf::disk()->exists((string) $photo->incoming))
            ->toBeTrue();
        // As at the next start.
        $this->artisan('hollin:develop')->expectsOutputToContain('1 photographs')->assertSuccessful();
        Queue::assertPushed(DevelopPhoto::class, 2);
        (new DevelopPhoto($id))->handle();
        expect($photo->refresh()->status)->toBe('kept')->and($photo->isWhole())->toBeTrue();
    },
);

it('answers to every name under which one picture came, and keeps no words hidden in it', function (): void {
    $bytes = small();
    // The same picture with a remark inside: other bytes, nothing else to see.
    $remark = 'taken at 51.1 N 4.2 E by somebody';
    $told = substr($bytes, 0, 2) . "\xFF\xFE" . pack('n', strlen($remark) + 2) . $remark . substr($bytes, 2);
    $first = bring($this, $this->job, $bytes)->assertCreated()->json('id');
    bring($this, $this->job, $told);
    $photos = $this->getJson("/api/v1/jobs/{$this->job->id}/photos")->json('photos');
    expect($photos)
        ->toHaveCount(1)
        ->and($photos[0]['raws'])
        ->toBe([hash('sha256', $bytes), hash('sha256', $told)])
        ->and($photos[0]['raw'])
        ->toBe(hash('sha256', $bytes));
    // Either of them, brought again, is the one that is there.
    expect(bring($this, $this->job, $told)->json('id'))
        ->toBe($first)
        ->and(bring($this, $this->job, $bytes)->json('id'))
        ->toBe($first);

    $png = pngThatSays($remark);
    expect($png)->toContain($remark);
    $id = bring($this, $this->job, $png, 'main_panel')->assertCreated()->json('id');
    expect(
        $this->get("/api/v1/photos/{$id}")
            ->assertOk()
            ->streamedContent(),
    )
        ->not->toContain('taken at')
        ->and(bring($this, $this->job, $told, 'battery')->json('id'))
        ->not->toBe($first);
});

/** A PNG that says something in a text chunk (PNG specification, 11.3.4.3). */
function pngThatSays(string $says): string
{
    ob_start();
    imagepng(imagecreatetruecolor(20, 20));
    $png = (string) ob_get_clean();
    $chunk = "tEXtComment\0{$says}";

    return substr($png, 0, 33) . pack('N', strlen($chunk) - 4) . $chunk . pack('N', crc32($chunk)) . substr($png, 33);
}
