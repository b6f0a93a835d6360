<?php

declare(strict_types=1);

/*
 * A stand-in for a battery monitor, for trying and testing: a shunt in the negative of a 12 V bank with a fridge that
 * cycles, lights in the evening, a fan at night and the sun by day.
 *
 *   php standins/battery-monitor.php 7070 [SECONDS BETWEEN READINGS, 1]
 *       streams a reading a line, as JSON, to whoever connects: {"at":"2026-07-01T21:00:00Z","volts":13.05,"amps":-4.2}
 *   php standins/battery-monitor.php --log FILE [DAYS, 2]
 *       writes such readings as comma-separated values, one a minute: time,volts,amps
 *
 * Amps are below nothing while the bank gives.
 */

/** @return array{at: string, volts: float, amps: float} what its shunt and its volts are at a minute of its July */
function reading(int $minute): array
{
    $hour = fmod($minute / 60, 24);
    $noise = fmod(abs(sin($minute * 12.9898) * 43758.5453), 1.0);
    $watts = 6 + ($minute % 50 < 20 ? 54 : 0);
    $watts += $hour >= 18 && $hour < 22.5 ? 24 : 0;
    $watts += $hour >= 21 || $hour < 7 ? 18 : 0;
    $sun = $hour > 6 && $hour < 18 ? 160 * sin((M_PI * ($hour - 6)) / 12) : 0;
    $net = $sun - $watts * (0.97 + 0.06 * $noise);
    $volts = 13.15 + $net / 2500 + 0.01 * $noise;
    $at = gmdate('Y-m-d\TH:i:s\Z', gmmktime(0, 0, 0, 7, 1, 2026) + $minute * 60);

    return ['at' => $at, 'volts' => round($volts, 3), 'amps' => round($net / $volts, 2)];
}

if (($argv[1] ?? '') === '--log') {
    $file = fopen($argv[2] ?? 'php://stdout', 'w') ?: exit(1);
    fputcsv($file, ['time', 'volts', 'amps'], ',', '"', '', "\r\n");
    for ($minute = 0; $minute < 1440 * max(1, (int) ($argv[3] ?? 2)); $minute++) {
        $now = reading($minute);
        fputcsv($file, [$now['at'], sprintf('%.3f', $now['volts']), sprintf('%.2f', $now['amps'])], ',', '"', '', "\r\n");
    }
    exit(0);
}

$server = stream_socket_server('tcp://127.0.0.1:' . (int) ($argv[1] ?? 7070), $code, $why);
if ($server === false) {
    fwrite(STDERR, "It cannot listen: {$why}\n");
    exit(1);
}
fwrite(STDERR, 'A battery monitor is at ' . stream_socket_get_name($server, false) . "\n");
$between = max(0.01, (float) ($argv[2] ?? 1));
$clients = [];
for ($minute = 0; ; $minute++) {
    $wait = $clients === [] ? 5.0 : $between;
    $ready = [$server];
    $none = null;
    if (@stream_select($ready, $none, $none, (int) $wait, (int) (fmod($wait, 1) * 1e6)) > 0) {
        $client = stream_socket_accept($server, 0);
        $clients = $client === false ? $clients : [...$clients, $client];
    }
    $line = json_encode(reading($minute)) . "\n";
    $clients = array_filter($clients, fn($client): bool => @fwrite($client, $line) !== false && !feof($client));
}
