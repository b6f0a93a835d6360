<?php

declare(strict_types=1);

use Hollin\Core\Energy\Measured;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\MonitorLog;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Plan\Refused;
use Symfony\Component\Process\Process;
use Tests\Rigs;

/** A log with a reading every quarter of an hour over two days. */
function logged(Closure $amps): string
{
    $text = "time,volts,amps\n";
    for ($n = 0; $n < 192; $n++) {
        $text .=
            gmdate('Y-m-d\TH:i:s\Z', gmmktime(0, 0, 0, 7, 1, 2026) + $n * 900) .
            ',12.8,' .
            $amps(intdiv($n, 4) % 24) .
            "\n";
    }

    return $text;
}

it('tells what was taken by the hour, of what flows while nothing charges', function (): void {
    $read = MonitorLog::read(logged(fn(int $h): float => $h >= 10 && $h < 15 ? 20 : ($h < 6 ? -5.0 : -2.5)));
    expect($read->samples)->toBe(192)->and($read->fromAt)->toBe('2026-07-01 00:00');
    expect($read->hours->h3->watts)
        ->toEqualWithDelta(64.0, 0.05)
        ->and($read->hours->h20->watts)
        ->toEqualWithDelta(32.0, 0.05);
    expect(isset($read->hours->h12))->toBeFalse();
});

it('goes by the clock of the log', function (): void {
    $read = MonitorLog::read("time,volts,amps\n2026-07-01T22:00:00-06:00,12.8,-5\n2026-07-01T22:30:00-06:00,12.8,-5\n");
    expect(isset($read->hours->h22))->toBeTrue();
});

it('holds a night against the list', function (float $watts, bool $near, string $words): void {
    $measured = Measured::from(MonitorLog::read(logged(fn(int $h): float => -5.0)));
    $fan = Needed::from(
        'fan',
        new Values(
            Rigs::object([
                'label' => 'Fan',
                'supply' => 'dc',
                'watts' => $watts,
                'spans' => ['a' => ['fromH' => 0, 'hours' => 24]],
            ]),
        ),
    );
    $reply = $measured->againstGuessed([$fan]);
    // 64 W over eight hours of night.
    expect($reply->good)->toBe($near)->and($reply->words)->toContain('512 Wh measured')->toContain($words);
})->with([[64, true, 'Yes'], [30, false, '272 Wh too little'], [90, false, '208 Wh too much']]);

it('becomes the load of the day that was measured', function (): void {
    $load = Measured::from(MonitorLog::read(logged(fn(int $h): float => -5.0)))->load();
    expect($load->dayWh())
        ->toEqualWithDelta(24 * 64, 0.5)
        ->and($load->isAssumed())
        ->toBeFalse();
});

it('says of each row what is wrong', function (string $text, string $at, string $why): void {
    try {
        MonitorLog::read($text);
        expect(false)->toBeTrue();
    } catch (Refused $refused) {
        expect($refused->problems[0]->pointer)->toBe($at)->and($refused->problems[0]->message)->toContain($why);
    }
})->with([
    'no amps' => ["time,volts\n2026-07-01T00:00:00Z,12\n", '/row/1', '"amps" is missing'],
    'a time that is none' => ["time,volts,amps\nyesterday,12,-1\n", '/row/2', '2026-07-01T21:00:00Z'],
    'volts of another thing' => ["time,volts,amps\n2026-07-01T00:00:00Z,120,-1\n", '/row/2', 'between 5 and 70'],
    'backwards' => [
        "time,volts,amps\n2026-07-01T01:00:00Z,12.8,-1\n2026-07-01T00:00:00Z,12.8,-1\n",
        '/row/3',
        'earlier',
    ],
    'nothing' => ["time,volts,amps\n", '/row/2', 'at least two'],
]);

it('reads what the stand-in writes, and the stand-in streams a reading a line', function (): void {
    $standIn = dirname(__DIR__, 3) . '/standins/battery-monitor.php';
    $file = tempnam(sys_get_temp_dir(), 'log');
    (new Process(['php', $standIn, '--log', $file, '1']))->mustRun();
    $read = MonitorLog::read((string) file_get_contents($file));
    unlink($file);
    expect($read->samples)->toBe(1440)->and($read->hours->h2->watts)->toBeGreaterThan(20.0)->toBeLessThan(90.0);
    $server = new Process(['php', $standIn, '0', '0.02']);
    $server->start();
    $server->waitUntil(fn(string $type, string $text): bool => str_contains($text, '127.0.0.1:'));
    preg_match('/127\.0\.0\.1:(\d+)/', $server->getErrorOutput(), $m);
    $client = stream_socket_client("tcp://127.0.0.1:{$m[1]}");
    stream_set_timeout($client, 10);
    $lines = [fgets($client), fgets($client)];
    $server->stop(0);
    foreach ($lines as $line) {
        $reading = json_decode((string) $line, true);
        expect($reading)
            ->toHaveKeys(['at', 'volts', 'amps'])
            ->and($reading['volts'])
            ->toBeGreaterThan(10);
    }
});
