<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Database\Seeders\DemoRigs;
use Database\Seeders\DemoSeeder;
use Database\Seeders\LargeRig;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\RigAnswer;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Search;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\Spice;
use Illuminate\Console\Command;
use stdClass;

/** Measures what the figures promise: the core alone, or a running application under several people's edits. */
final class Bench extends Command
{
    private const ROUNDS = 15;

    private const SCALE_ROUNDS = 7;

    private const PEOPLE = 8;

    private const EVERY_S = 2.0;

    private const LARGEST = 'tideline';

    protected $signature = 'hollin:bench {what : core, scale, flow or load} {--url= : of the running application, for load} {--seconds=40 : how long the load lasts}';

    protected $description = 'Measure the core, or the time from an edit to its consequences with eight people editing';

    public function handle(): int
    {
        return match ($this->argument('what')) {
            'load' => $this->load(),
            'flow' => $this->flow(),
            'scale' => $this->scale(),
            default => $this->core(),
        };
    }

    private function core(): int
    {
        foreach (['grafting' => 'the first demo rig', self::LARGEST => 'the largest'] as $name => $words) {
            $this->line("{$words}:");
            $this->judged(DemoRigs::document($name));
        }
        $this->line(sprintf('peak memory %.1f MB', memory_get_peak_usage() / 1e6));

        return self::SUCCESS;
    }

    /** The largest demo rig with ten switches and two full panels more, and with twenty and four. */
    private function scale(): int
    {
        foreach ([[0, 0], [10, 0], [10, 2], [20, 4]] as [$switches, $panels]) {
            $document = LargeRig::document($switches, $panels);
            memory_reset_peak_usage();
            $held = memory_get_usage();
            $searched = $judged = [];
            for ($round = 0; $round < self::SCALE_ROUNDS; $round++) {
                $rig = (new JobAnswers($document))->rig('line/whole') ?? throw new \RuntimeException('the demo has changed');
                $begin = hrtime(true);
                $proof = (new Search($rig))->proof;
                $searched[] = (hrtime(true) - $begin) / 1e6;
                new Judge($rig, $proof);
                $judged[] = (hrtime(true) - $begin) / 1e6;
                unset($rig);
                gc_collect_cycles();
            }
            $this->line(sprintf(
                '%2d switches and %d panels more: %.3g states, %d after reduction, %s; searched in %5.1f ms (least %5.1f), with all rules %5.1f ms; peak %.1f MB',
                $switches,
                $panels,
                $proof->coverage->states,
                $proof->coverage->settings,
                $proof->coverage->isWhole() ? 'all of them' : 'within two slips',
                self::middle($searched),
                min($searched),
                self::middle($judged),
                (memory_get_peak_usage() - $held) / 1e6,
            ));
        }

        return self::SUCCESS;
    }

    private function judged(stdClass $document): void
    {
        $times = $rest = $again = $proofs = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            // Nothing is kept between rounds: every round compiles, enumerates and judges anew.
            $job = new JobAnswers($document);
            foreach ($job->views as $view) {
                $begin = hrtime(true);
                $rig = $job->rig($view['id']) ?? throw new \RuntimeException('a view without a rig');
                $judge = new Judge($rig);
                $judged = hrtime(true);
                RigAnswer::of($rig, $judge);
                $times[$view['title']][] = ($judged - $begin) / 1e6;
                $rest[$view['title']][] = (hrtime(true) - $judged) / 1e6;
                $measured = $job->rig($view['id']);
                $begin = hrtime(true);
                new Judge($measured, $judge->proof);
                $again[$view['title']][] = (hrtime(true) - $begin) / 1e6;
                $proofs[$view['title']] = $judge->proof;
            }
        }
        foreach ($times as $title => $list) {
            $first = array_shift($list);
            sort($list);
            $this->line(sprintf(
                '%-24s %6d states (%d reduced, %d situations), compiled, all states and rules: first in the process %5.1f ms, then least %5.1f, median %5.1f, most %5.1f ms; rest of the answer %4.1f ms; all rules from a kept proof %4.1f ms',
                $title,
                $proofs[$title]->coverage->states ?? 0,
                $proofs[$title]->coverage->settings ?? 0,
                $proofs[$title]->coverage->situations ?? 0,
                $first,
                $list[0],
                $list[intdiv(count($list), 2)],
                $list[count($list) - 1],
                self::middle($rest[$title]),
                self::middle($again[$title]),
            ));
        }
    }

    /** The load flow of the largest demo rig in every state, all loads on; and the same netlists in ngspice. */
    private function flow(): int
    {
        $rig = (new JobAnswers(DemoRigs::document(self::LARGEST)))->rig('line/whole') ?? throw new \RuntimeException('the demo has changed');
        $running = $rig->allLoads();
        $all = $again = $power = $spice = [];
        foreach ($rig->settled as $state => $settled) {
            $flow = LoadFlow::of($settled, $running);
            if ($flow->ac === null) {
                continue;
            }
            $all[$state] = self::median(fn() => LoadFlow::of($settled, $running));
            $volts = $flow->nodeVolts();
            $flow->ac->factor();
            // Another ten metres in the air conditioner's circuit, a new place each time so that nothing is remembered.
            $ends = array_values(array_filter($rig->graph->circuits, fn($e): bool => isset($flow->ac->node[$e->hot], $flow->ac->node[$e->neutral])));
            $n = 0;
            $again[$state] = self::median(function () use ($flow, $volts, $ends, &$n): void {
                $end = $ends[$n++ % count($ends)];
                $flow->ac->changed($volts, $end->hot, $end->neutral, 1e-3 * $n);
            }, 9);
            $power[$state] = self::median(function () use ($flow, $ends, &$n): void {
                $end = $ends[$n++ % count($ends)];
                LoadFlow::changed($flow, $end->hot, $end->neutral, 1e-3 * $n);
            }, 9);
            $deck = Spice::ac($flow, $state);
            $once = self::median(fn() => self::ngspice($deck), 5);
            $fifty = self::median(fn() => self::ngspice(str_replace("\nprint all", "\nrepeat 200\nac lin 1 60 60\nend\nprint all", $deck)), 3);
            $spice[$state] = [$once, ($fifty - $once) / 200];
        }
        $worst = fn(array $times): string => $times === [] ? 'nothing measured' : sprintf('median %.2f ms, worst %.2f ms', self::middle($times), max($times));
        $this->line(sprintf('load flow of a state (AC and DC, %d states): %s', count($all), $worst($all)));
        $this->line('one element changed, at a fixed operating point: ' . $worst($again));
        $this->line('one element changed, constant powers iterated: ' . $worst($power));
        $this->line(sprintf('ngspice on the same netlists: %.1f ms a process with its one answer, %.2f ms each further solve', self::middle(array_column($spice, 0)), self::middle(array_column($spice, 1))));

        return self::SUCCESS;
    }

    /** @param array<array-key, float> $times */
    private static function middle(array $times): float
    {
        sort($times);

        return $times[intdiv(count($times), 2)];
    }

    /** Median milliseconds of some calls. */
    private static function median(callable $work, int $rounds = 7): float
    {
        $times = [];
        for ($i = 0; $i < $rounds; $i++) {
            $begin = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $begin) / 1e6;
        }

        return self::middle($times);
    }

    private static function ngspice(string $deck): void
    {
        (new \Symfony\Component\Process\Process(['ngspice', '-b', '-n', '/dev/stdin'], sys_get_temp_dir(), ['LC_ALL' => 'C', 'HOME' => sys_get_temp_dir()], $deck, 60))->mustRun();
    }

    private function load(): int
    {
        $url = rtrim((string) $this->option('url'), '/');
        $emails = array_keys(DemoSeeder::PEOPLE);
        $people = [];
        for ($i = 0; $i < self::PEOPLE; $i++) {
            $people[] = $this->signIn($url, $i, $emails[$i % 2]);
        }
        // Four share the job of the largest demo rig; each of the others has one of their own, with the same design.
        $jobs = json_decode($this->fetch($people[0], 'GET', "{$url}/api/v1/jobs")['body'])->jobs;
        $largest = array_values(array_filter($jobs, fn(\stdClass $j): bool => str_contains($j->title, 'Tide-line')))[0]->id;
        $file = $this->fetch($people[0], 'GET', "{$url}/api/v1/jobs/{$largest}/file")['body'];
        foreach ($people as $i => &$person) {
            $person['job'] = $largest;
            if ($i >= self::PEOPLE / 2) {
                $person['job'] = json_decode($this->fetch($person, 'POST', "{$url}/api/v1/jobs", json_encode(['title' => "Load {$i}", 'kind' => 'van']) ?: '')['body'])->id;
                $this->fetch($person, 'POST', "{$url}/api/v1/jobs/{$person['job']}/file?uuid=" . \Illuminate\Support\Str::uuid(), $file);
            }
            $design = json_decode($this->fetch($person, 'GET', "{$url}/api/v1/jobs/{$person['job']}?want=some/whole,as_found")['body']);
            $person['base'] = $design->revision;
            $person['have'] = array_keys(get_object_vars($design->answers));
            $person['next'] = microtime(true) + $i * self::EVERY_S / self::PEOPLE;
            $person['turn'] = 0;
            $person['circuit'] = ['c_fridge', 'c_wet', 'c_water', 'c_tanks'][$i % 4];
        }
        unset($person);
        $ticks = self::ticks();
        [$times, $conflicts, $failures, $memory, $bytes] = $this->edits($url, $people);
        $ticks = array_map(fn(int $after, int $before): int => $after - $before, self::ticks(), $ticks);
        sort($times);
        $at = fn(float $share): float => $times[(int) floor($share * (count($times) - 1))];
        $this->line(sprintf(
            '%d people, %d edits: median %.0f ms, 95th percentile %.0f ms, worst %.0f ms; %d conflicts answered, %d failures; peak memory of a request %.1f MB; answer %.0f kB',
            self::PEOPLE,
            count($times),
            $at(0.5),
            $at(0.95),
            $at(1.0),
            $conflicts,
            $failures,
            $memory / 1e6,
            $bytes / 1e3,
        ));

        if (($ticks[7] ?? 0) > 0) {
            $this->line(sprintf('meanwhile other guests of this machine took %.0f %% of its time', 100 * $ticks[7] / array_sum($ticks)));
        }

        return $failures === 0 ? self::SUCCESS : self::FAILURE;
    }

    /** @return list<int> ticks of all processors since the machine started: user, nice, system, idle, waiting, interrupts (two kinds), stolen */
    private static function ticks(): array
    {
        preg_match('/^cpu +([\d ]+)/', (string) @file_get_contents('/proc/stat'), $m);

        return array_slice(array_map(intval(...), explode(' ', trim($m[1] ?? ''))), 0, 8);
    }

    /**
     * @param list<array<string, mixed>> $people
     * @return array{list<float>, int, int, float, float}
     */
    private function edits(string $url, array $people): array
    {
        $multi = curl_multi_init();
        $running = $times = [];
        $conflicts = $failures = 0;
        $memory = $bytes = 0.0;
        $end = microtime(true) + (float) $this->option('seconds');
        while (microtime(true) < $end || $running !== []) {
            foreach ($people as $i => &$person) {
                if (microtime(true) >= $person['next'] && !isset($running[$i]) && microtime(true) < $end) {
                    // A circuit there, a length, a new name, another length, the circuit back …: after a name never
                    // seen before no search can be an old one, and no length is one that was.
                    $turn = $person['turn']++ % 8;
                    $lead = ['ld_bank_fuse', 'ld_fuse_disc', 'ld_disc_bar', 'ld_bar_inv'][$i % 4];
                    $intent = match (true) {
                        // The inverter panel has two places left: the others change the breaker.
                        $turn % 4 === 0 && $i % 4 > 1 => ['kind' => 'plan_set', 'plan' => 'some', 'component' => $person['circuit'], 'path' => '/breakerA', 'value' => ['value' => $turn === 0 ? 20 : 15, 'basis' => 'measured']],
                        $turn % 4 === 0 => ['kind' => 'move_circuit', 'plan' => 'some', 'circuit' => $person['circuit'], 'panel' => $turn === 0 ? 'inverter_panel' : 'main_panel', 'wires' => 'both'],
                        $turn % 2 === 0 => ['kind' => 'plan_set', 'plan' => 'some', 'component' => $lead, 'path' => '/label', 'value' => 'Lead ' . \Illuminate\Support\Str::random(6)],
                        default => ['kind' => 'plan_set', 'plan' => 'some', 'component' => $lead, 'path' => '/cable/lengthM', 'value' => ['value' => 0.1 + mt_rand(1, 999_999) / 1e6, 'basis' => 'measured']],
                    };
                    $body = ['uuid' => (string) \Illuminate\Support\Str::uuid(), 'base' => $person['base'], 'want' => ['some/whole', 'as_found'], 'have' => $person['have'],
                        'intent' => $intent];
                    $handle = $this->request($person, 'POST', "{$url}/api/v1/jobs/{$person['job']}/edits", (string) json_encode($body));
                    curl_multi_add_handle($multi, $handle);
                    $running[$i] = $handle;
                    $person['next'] += self::EVERY_S;
                }
            }
            unset($person);
            curl_multi_exec($multi, $active);
            while ($done = curl_multi_info_read($multi)) {
                $i = array_search($done['handle'], $running, true);
                $status = curl_getinfo($done['handle'], CURLINFO_RESPONSE_CODE);
                $answer = (string) curl_multi_getcontent($done['handle']);
                $split = curl_getinfo($done['handle'], CURLINFO_HEADER_SIZE);
                $body = substr($answer, $split);
                if ($status === 200) {
                    $times[] = curl_getinfo($done['handle'], CURLINFO_TOTAL_TIME) * 1000;
                    $design = json_decode($body);
                    $people[$i]['base'] = $design->revision;
                    $people[$i]['have'] = array_slice(array_unique([...array_keys(get_object_vars($design->answers)), ...$people[$i]['have']]), 0, 6);
                    $bytes = max($bytes, (float) curl_getinfo($done['handle'], CURLINFO_SIZE_DOWNLOAD));
                } elseif ($status === 409) {
                    $conflicts++;
                    $people[$i]['base'] = json_decode($body)->head;
                } else {
                    $failures++;
                    $this->error("{$status} " . substr($body, 0, 300));
                }
                if (preg_match('/^X-Peak-Memory: (\d+)/mi', substr($answer, 0, $split), $m) === 1) {
                    $memory = max($memory, (float) $m[1]);
                }
                curl_multi_remove_handle($multi, $done['handle']);
                unset($running[$i]);
            }
            curl_multi_select($multi, 0.002);
        }

        return [$times, $conflicts, $failures, $memory, $bytes];
    }

    /** @return array<string, mixed> */
    private function signIn(string $url, int $i, string $email): array
    {
        $person = ['jar' => tempnam(sys_get_temp_dir(), 'jar')];
        $this->fetch($person, 'GET', "{$url}/");
        $answer = $this->fetch($person, 'POST', "{$url}/api/v1/session", (string) json_encode(['email' => $email, 'password' => DemoSeeder::PASSWORD]));
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

        return ['status' => curl_getinfo($handle, CURLINFO_RESPONSE_CODE), 'body' => substr($answer, curl_getinfo($handle, CURLINFO_HEADER_SIZE))];
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
        curl_setopt_array($handle, [
            CURLOPT_RETURNTRANSFER => true, CURLOPT_HEADER => true, CURLOPT_COOKIEFILE => $person['jar'], CURLOPT_COOKIEJAR => $person['jar'], CURLOPT_ENCODING => 'gzip',
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'X-XSRF-TOKEN: ' . urldecode($token[1] ?? '')], CURLOPT_TIMEOUT => 20,
        ] + ($body === '' ? [] : [CURLOPT_POSTFIELDS => $body]));

        return $handle;
    }

}
