<?php

declare(strict_types=1);

namespace Tools;

/**
 * Somebody who works on while parts are killed: edits, photographs and sheets, each sent again under the same name
 * until it is answered, and noted when it is acknowledged.
 */
final class KillsWriter
{
    private string $cookies;

    private int $job = 0;

    private int $base = 1;

    public function __construct(private readonly string $url, private readonly string $acknowledged)
    {
        $this->cookies = (string) tempnam(sys_get_temp_dir(), 'kills');
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
                $n % 40 === 0 => $this->send('POST', "/jobs/{$this->job}/sheets", [
                    'view' => 'as_found',
                    'paper' => 'a4',
                ]),
                $n % 10 === 0 => $this->photo($n),
                default => $this->edit($n),
            };
        }
    }

    private function edit(int $n): void
    {
        $uuid = sprintf(
            '%s-%s-4%s-8%s-%s',
            ...array_map(fn(int $k): string => substr(bin2hex(random_bytes(6)), 0, $k), [8, 4, 3, 3, 12]),
        );
        $body = fn(): array => [
            'uuid' => $uuid,
            'base' => $this->base,
            'want' => ['nothing'],
            'intent' => ['kind' => 'survey_set', 'component' => 'c_outlets', 'path' => '/note', 'value' => "note {$n}"],
        ];
        while (true) {
            [$status, $answer] = $this->send('POST', "/jobs/{$this->job}/edits", $body());
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
            [$status, $answer] = $this->send(
                'POST',
                "/jobs/{$this->job}/photos",
                [
                    'photo' => new \CURLFile($file, 'image/jpeg'),
                    'component' => 'c_outlets',
                ],
                true,
            );
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
        $this->send('GET', '/session');
        [$status] = $this->send('POST', '/session', ['email' => 'lead@hollin.test', 'password' => 'rowan-and-lath']);
        if ($status === 200 && $this->job === 0) {
            [, $answer] = $this->send('GET', '/jobs');
            foreach ($answer->jobs ?? [] as $job) {
                $this->job = str_contains($job->title, 'Tide-line') ? (int) $job->id : $this->job;
            }
            [, $answer] = $this->send('GET', "/jobs/{$this->job}?want=nothing");
            $this->base = (int) ($answer->revision ?? 1);
        }
        usleep(100_000);
    }

    private function note(string $line): void
    {
        file_put_contents($this->acknowledged, "{$line}\n", FILE_APPEND);
    }

    /**
     * @param array<string, mixed> $body
     * @return array{int, mixed} status, 0 when there was no answer; and the answer
     */
    private function send(string $method, string $path, array $body = [], bool $form = false): array
    {
        preg_match('/XSRF-TOKEN\s+(\S+)/', (string) @file_get_contents($this->cookies), $token);
        $curl = curl_init("{$this->url}/api/v1{$path}");
        curl_setopt_array(
            $curl,
            [
                CURLOPT_CUSTOMREQUEST => $method,
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_TIMEOUT => 20,
                CURLOPT_COOKIEFILE => $this->cookies,
                CURLOPT_COOKIEJAR => $this->cookies,
                CURLOPT_HTTPHEADER => [
                    'Accept: application/json',
                    'X-XSRF-TOKEN: ' . urldecode($token[1] ?? ''),
                    ...$form || $method === 'GET' ? [] : ['Content-Type: application/json'],
                ],
            ] + ($method === 'GET' ? [] : [CURLOPT_POSTFIELDS => $form ? $body : (string) json_encode($body)]),
        );
        $text = curl_exec($curl);
        $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        unset($curl);

        return [$text === false ? 0 : $status, json_decode((string) $text)];
    }
}
