<?php

declare(strict_types=1);

namespace Tools\Bench;

use Database\Seeders\DemoSeeder;
use stdClass;

/** The time from an edit to its consequences in a running application, with eight people editing. */
final class LoadBench
{
    private const PEOPLE = 8;

    private const EVERY_S = 2.0;

    /** Title of the job, plan that is edited, cables whose length and name change. */
    private const RIGS = [
        'tideline' => ['Tide-line', 'some', ['ld_bank_fuse', 'ld_fuse_disc', 'ld_disc_bar', 'ld_bar_inv']],
        'bellows' => ['Bellows', 'road', ['lead_long', 'lead_short', 'lead_bar', 'lead_blower_on']],
    ];

    /** @param string $rig tideline, the largest, or bellows, the one with four batteries */
    public function __construct(
        private readonly string $url,
        private readonly float $seconds,
        private readonly string $rig = 'tideline',
    ) {}

    /** @return bool whether every edit was answered */
    public function run(): bool
    {
        $url = rtrim($this->url, '/');
        $emails = array_keys(DemoSeeder::PEOPLE);
        $people = [];
        for ($i = 0; $i < self::PEOPLE; $i++) {
            $people[] = $this->signIn($url, $i, $emails[$i % 2]);
        }
        // Four share the job of the largest demo rig; each of the others has one of their own, with the same design.
        $jobs = json_decode($this->fetch($people[0], 'GET', "{$url}/api/v1/jobs")['body'])->jobs;
        $largest = array_values(
            array_filter($jobs, fn(stdClass $j): bool => str_contains($j->title, self::RIGS[$this->rig][0])),
        )[0]->id;
        $file = $this->fetch($people[0], 'GET', "{$url}/api/v1/jobs/{$largest}/file")['body'];
        foreach ($people as $i => &$person) {
            $person['job'] = $largest;
            if ($i >= self::PEOPLE / 2) {
                $person['job'] = json_decode(
                    $this->fetch(
                        $person,
                        'POST',
                        "{$url}/api/v1/jobs",
                        json_encode(['title' => "Load {$i}", 'kind' => 'van']) ?: '',
                    )['body'],
                )->id;
                $this->fetch(
                    $person,
                    'POST',
                    "{$url}/api/v1/jobs/{$person['job']}/file?uuid=" . \Illuminate\Support\Str::uuid(),
                    $file,
                );
            }
            $design = json_decode(
                $this->fetch($person, 'GET', "{$url}/api/v1/jobs/{$person['job']}?want={$this->plan()}/whole,as_found")[
                    'body'
                ],
            );
            $person['base'] = $design->revision;
            $person['have'] = array_keys(get_object_vars($design->answers));
            $person['next'] = microtime(true) + ($i * self::EVERY_S) / self::PEOPLE;
            $person['turn'] = 0;
            $person['circuit'] = ['c_fridge', 'c_wet', 'c_water', 'c_tanks'][$i % 4];
            $person['load'] = [['c_outlets', 'radio'], ['c_wet', 'boiler'], ['c_air', 'unit'], ['c_tanks', 'pads']][
                $i % 4
            ];
        }
        unset($person);
        $ticks = self::ticks();
        [$times, $searches, $conflicts, $failures, $memory, $bytes] = $this->edits($url, $people);
        $ticks = array_map(fn(int $after, int $before): int => $after - $before, self::ticks(), $ticks);
        sort($times);
        sort($searches);
        $at = fn(float $share, array $of): float => $of[(int) floor($share * (count($of) - 1))];
        Times::say(
            sprintf(
                '%d people, %d edits: median %.0f ms, 95th percentile %.0f ms, worst %.0f ms; %d conflicts ' .
                    'answered, %d failures; peak memory of a request %.1f MB; answer %.0f kB',
                self::PEOPLE,
                count($times),
                $at(0.5, $times),
                $at(0.95, $times),
                $at(1.0, $times),
                $conflicts,
                $failures,
                $memory / 1e6,
                $bytes / 1e3,
            ),
        );

        Times::say(
            sprintf(
                '%d of them on structure, searched anew: median %.0f ms, 95th percentile %.0f ms',
                count($searches),
                $at(0.5, $searches),
                $at(0.95, $searches),
            ),
        );

        if (($ticks[7] ?? 0) > 0) {
            Times::say(
                sprintf(
                    'meanwhile other guests of this machine took %.0f %% of its time',
                    (100 * $ticks[7]) / array_sum($ticks),
                ),
            );
        }

        return $failures === 0;
    }

    private function plan(): string
    {
        return self::RIGS[$this->rig][1];
    }

    /**
     * @return list<int> ticks of all processors since the machine started: user, nice, system, idle, waiting,
     *      interrupts (two kinds), stolen
     */
    private static function ticks(): array
    {
        preg_match('/^cpu +([\d ]+)/', (string) @file_get_contents('/proc/stat'), $m);

        return array_slice(array_map(intval(...), explode(' ', trim($m[1] ?? ''))), 0, 8);
    }

    /**
     * @param list<array<string, mixed>> $people
     * @return array{list<float>, list<float>, int, int, float, float} times of all, of those on structure, …
     */
    private function edits(string $url, array $people): array
    {
        $multi = curl_multi_init();
        $running = $times = $searches = [];
        $conflicts = $failures = 0;
        $memory = $bytes = 0.0;
        $end = microtime(true) + $this->seconds;
        while (microtime(true) < $end || $running !== []) {
            foreach ($people as $i => &$person) {
                if (microtime(true) >= $person['next'] && !isset($running[$i]) && microtime(true) < $end) {
                    // A circuit there, a length, a new name, another length, a load nobody had before, a length,
                    // a name, a length, the circuit back …: after such a load no search can be an old one, and no
                    // name and no length is one that was.
                    $turn = $person['turn']++;
                    $there = $turn % 16 === 0;
                    $lead = self::RIGS[$this->rig][2][$i % 4];
                    $intent = match (true) {
                        // A switch that usually stands otherwise, or a draw that nobody had: searched anew.
                        $this->rig === 'bellows' && $turn % 8 === 0 => [
                            'kind' => 'plan_set',
                            'plan' => $this->plan(),
                            'component' => 'lith_switch',
                            'path' => '/usual',
                            'value' => $there ? 'off' : 'on',
                        ],
                        $this->rig === 'bellows' && $turn % 4 === 0 => [
                            'kind' => 'plan_set',
                            'plan' => $this->plan(),
                            'component' => 'blower',
                            'path' => '/amps',
                            'value' => ['value' => mt_rand(1_000, 50_000) / 1e3, 'basis' => 'measured'],
                        ],
                        // The inverter panel has two places left: the others change the breaker.
                        $turn % 8 === 0 && $i % 4 > 1 => [
                            'kind' => 'plan_set',
                            'plan' => $this->plan(),
                            'component' => $person['circuit'],
                            'path' => '/breakerA',
                            'value' => ['value' => $there ? 20 : 15, 'basis' => 'measured'],
                        ],
                        $turn % 8 === 0 => [
                            'kind' => 'move_circuit',
                            'plan' => $this->plan(),
                            'circuit' => $person['circuit'],
                            'panel' => $there ? 'inverter_panel' : 'main_panel',
                            'wires' => 'both',
                        ],
                        $turn % 4 === 0 => [
                            'kind' => 'plan_set',
                            'plan' => $this->plan(),
                            'component' => $person['load'][0],
                            'path' => "/loads/{$person['load'][1]}/watts",
                            'value' => ['value' => mt_rand(50_000, 500_000) / 1e3, 'basis' => 'measured'],
                        ],
                        $turn % 2 === 0 => [
                            'kind' => 'plan_set',
                            'plan' => $this->plan(),
                            'component' => $lead,
                            'path' => '/label',
                            'value' => 'Lead ' . \Illuminate\Support\Str::random(6),
                        ],
                        default => [
                            'kind' => 'plan_set',
                            'plan' => $this->plan(),
                            'component' => $lead,
                            'path' => '/cable/lengthM',
                            'value' => ['value' => 0.1 + mt_rand(1, 999_999) / 1e6, 'basis' => 'measured'],
                        ],
                    };
                    $body = [
                        'uuid' => (string) \Illuminate\Support\Str::uuid(),
                        'base' => $person['base'],
                        'want' => ["{$this->plan()}/whole", 'as_found'],
                        'have' => $person['have'],
                        'intent' => $intent,
                    ];
                    $handle = $this->request(
                        $person,
                        'POST',
                        "{$url}/api/v1/jobs/{$person['job']}/edits",
                        (string) json_encode($body),
                    );
                    curl_multi_add_handle($multi, $handle);
                    $running[$i] = $handle;
                    $person['searches'] = $turn % 4 === 0;
                    $person['next'] += self::EVERY_S;
                }
            }
            unset($person);
            curl_multi_exec($multi, $active);
            while ($done = curl_multi_info_read($multi)) {
                $i = (int) array_search($done['handle'], $running, true);
                $status = curl_getinfo($done['handle'], CURLINFO_RESPONSE_CODE);
                $answer = (string) curl_multi_getcontent($done['handle']);
                $split = curl_getinfo($done['handle'], CURLINFO_HEADER_SIZE);
                $body = substr($answer, $split);
                if ($status === 200) {
                    $ms = curl_getinfo($done['handle'], CURLINFO_TOTAL_TIME) * 1000;
                    $times[] = $ms;
                    $people[$i]['searches'] ? ($searches[] = $ms) : null;
                    $design = json_decode($body);
                    $people[$i]['base'] = $design->revision;
                    $people[$i]['have'] = array_slice(
                        array_unique([...array_keys(get_object_vars($design->answers)), ...$people[$i]['have']]),
                        0,
                        6,
                    );
                    $bytes = max($bytes, (float) curl_getinfo($done['handle'], CURLINFO_SIZE_DOWNLOAD));
                } elseif ($status === 409) {
                    $conflicts++;
                    $people[$i]['base'] = json_decode($body)->head;
                } else {
                    $failures++;
                    Times::say("{$status} " . substr($body, 0, 300));
                }
                if (preg_match('/^X-Peak-Memory: (\d+)/mi', substr($answer, 0, $split), $m) === 1) {
                    $memory = max($memory, (float) $m[1]);
                }
                curl_multi_remove_handle($multi, $done['handle']);
                unset($running[$i]);
            }
            curl_multi_select($multi, 0.002);
        }

        return [$times, $searches, $conflicts, $failures, $memory, $bytes];
    }

    /** @return array<string, mixed> */
    private function signIn(string $url, int $i, string $email): array
    {
        $person = ['jar' => tempnam(sys_get_temp_dir(), 'jar')];
        $this->fetch($person, 'GET', "{$url}/");
        $answer = $this->fetch(
            $person,
            'POST',
            "{$url}/api/v1/session",
            (string) json_encode(['email' => $email, 'password' => DemoSeeder::PASSWORD]),
        );
        if ($answer['status'] !== 200) {
            throw new \RuntimeException("Person {$i} could not sign in: {$answer['status']} {$answer['body']}");
        }

        return $person;
    }

    /**
     * @param array<string, mixed> $person
     * @return array{status: int, body: string}
     */
    private function fetch(array $person, string $method, string $url, string $body = ''): array
    {
        $handle = $this->request($person, $method, $url, $body);
        $answer = (string) curl_exec($handle);

        return [
            'status' => curl_getinfo($handle, CURLINFO_RESPONSE_CODE),
            'body' => substr($answer, curl_getinfo($handle, CURLINFO_HEADER_SIZE)),
        ];
    }

    /** @param array<string, mixed> $person */
    private function request(array $person, string $method, string $url, string $body): \CurlHandle
    {
        $handle = curl_init($url);
        if ($handle === false) {
            throw new \RuntimeException("{$url} cannot be asked.");
        }
        $jar = (string) file_get_contents($person['jar']);
        preg_match('/XSRF-TOKEN\s+(\S+)/', $jar, $token);
        curl_setopt($handle, CURLOPT_CUSTOMREQUEST, $method !== '' ? $method : 'GET');
        curl_setopt_array(
            $handle,
            [
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_HEADER => true,
                CURLOPT_COOKIEFILE => $person['jar'],
                CURLOPT_COOKIEJAR => $person['jar'],
                CURLOPT_ENCODING => 'gzip',
                CURLOPT_HTTPHEADER => [
                    'Accept: application/json',
                    'Content-Type: application/json',
                    'X-XSRF-TOKEN: ' . urldecode($token[1] ?? ''),
                ],
                CURLOPT_TIMEOUT => 20,
            ] + ($body === '' ? [] : [CURLOPT_POSTFIELDS => $body]),
        );

        return $handle;
    }
}
