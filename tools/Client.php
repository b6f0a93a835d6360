<?php

declare(strict_types=1);

namespace Tools;

/** Somebody at a running copy: cookies kept, the CSRF token sent back, answers read. */
final class Client
{
    private readonly string $cookies;

    /** @param int $patienceS longest that an answer is waited for */
    public function __construct(private readonly string $url, private readonly int $patienceS)
    {
        $this->cookies = (string) tempnam(sys_get_temp_dir(), 'client');
    }

    /** @return int status */
    public function signIn(): int
    {
        $this->send('GET', '/session');

        return $this->send('POST', '/session', '{"email":"lead@hollin.test","password":"rowan-and-lath"}')[0];
    }

    /**
     * @param string|array<string, mixed>|null $body JSON as text, or the fields of a form
     * @return array{int, mixed, float} status, 0 when there was no answer; the answer; MB that it took at most, where
     *      the copy says
     */
    public function send(string $method, string $path, string|array|null $body = null): array
    {
        preg_match('/XSRF-TOKEN\s+(\S+)/', (string) @file_get_contents($this->cookies), $token);
        $memory = 0.0;
        $curl = curl_init("{$this->url}/api/v1{$path}");
        curl_setopt_array(
            $curl,
            [
                CURLOPT_CUSTOMREQUEST => $method,
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_TIMEOUT => $this->patienceS,
                CURLOPT_COOKIEFILE => $this->cookies,
                CURLOPT_COOKIEJAR => $this->cookies,
                CURLOPT_HEADERFUNCTION => function ($_, string $line) use (&$memory): int {
                    if (preg_match('/^x-peak-memory: (\d+)/i', $line, $m) === 1) {
                        $memory = (float) $m[1] / 1e6;
                    }

                    return strlen($line);
                },
                CURLOPT_HTTPHEADER => [
                    'Accept: application/json',
                    'X-XSRF-TOKEN: ' . urldecode($token[1] ?? ''),
                    ...is_string($body) ? ['Content-Type: application/json', 'Expect:'] : [],
                ],
            ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => $body]),
        );
        $text = curl_exec($curl);
        $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        // Its cookies are written when it goes.
        unset($curl);

        return [$text === false ? 0 : $status, json_decode((string) $text), $memory];
    }
}
