<?php

declare(strict_types=1);

namespace Tools;

use Illuminate\Support\Str;

/**
 * Somebody who works on while parts are killed: edits, photographs and sheets, each sent again under the same name
 * until it is answered, and noted when it is acknowledged.
 */
final class KillsWriter
{
    private readonly Client $client;

    private int $job = 0;

    private int $base = 1;

    public function __construct(string $url, private readonly string $acknowledged)
    {
        $this->client = new Client($url, 20);
    }

    /** Works until it is stopped. */
    public function run(): never
    {
        for ($n = 1; ; $n++) {
            if ($this->job === 0) {
                $this->signIn();
                continue;
            }
            match (true) {
                $n % 40 === 0 => $this->client->send(
                    'POST',
                    "/jobs/{$this->job}/sheets",
                    '{"view":"as_found","paper":"a4"}',
                ),
                $n % 10 === 0 => $this->photo($n),
                default => $this->edit($n),
            };
        }
    }

    private function edit(int $n): void
    {
        $uuid = (string) Str::uuid();
        $body = fn(): string => (string) json_encode([
            'uuid' => $uuid,
            'base' => $this->base,
            'want' => ['nothing'],
            'intent' => ['kind' => 'survey_set', 'component' => 'c_outlets', 'path' => '/note', 'value' => "note {$n}"],
        ]);
        while (true) {
            [$status, $answer] = $this->client->send('POST', "/jobs/{$this->job}/edits", $body());
            if ($status === 200) {
                $this->base = (int) $answer->revision;
                $this->note("edit {$uuid} {$answer->revision}");

                return;
            }
            if ($status === 409) {
                // Stored, but the answer never came: then the same name says so.
                $this->base = (int) $answer->head;
            } elseif ($status === 401 || $status === 419) {
                $this->signIn();
            } elseif ($status !== 0 && $status < 500) {
                fwrite(STDERR, "edit: {$status} " . json_encode($answer) . "\n");

                return;
            }
            usleep(100_000);
        }
    }

    private function photo(int $n): void
    {
        $image = imagecreatetruecolor(600, 400);
        imagestring($image, 5, 20, 20, "photograph {$n} " . random_int(0, PHP_INT_MAX), 0xffffff);
        $file = sys_get_temp_dir() . "/kills-{$n}.jpg";
        imagejpeg($image, $file);
        for ($try = 0; $try < 100; $try++) {
            [$status, $answer] = $this->client->send('POST', "/jobs/{$this->job}/photos", [
                'photo' => new \CURLFile($file, 'image/jpeg'),
                'component' => 'c_outlets',
            ]);
            if ($status === 201) {
                $this->note("photo {$answer->id} {$answer->bytes}");
                break;
            }
            if ($status !== 0 && $status < 500) {
                break;
            }
            usleep(100_000);
        }
        unlink($file);
    }

    private function signIn(): void
    {
        if ($this->client->signIn() === 200 && $this->job === 0) {
            [, $answer] = $this->client->send('GET', '/jobs');
            foreach ($answer->jobs ?? [] as $job) {
                $this->job = str_contains($job->title, 'Tide-line') ? (int) $job->id : $this->job;
            }
            [, $answer] = $this->client->send('GET', "/jobs/{$this->job}?want=nothing");
            // A base that could not be read would have every edit refused: then it begins again.
            $this->base = (int) ($answer->revision ?? 1);
            $this->job = isset($answer->revision) ? $this->job : 0;
        }
        usleep(100_000);
    }

    private function note(string $line): void
    {
        file_put_contents($this->acknowledged, "{$line}\n", FILE_APPEND);
    }
}
