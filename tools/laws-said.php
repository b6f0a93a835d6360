<?php

declare(strict_types=1);

/* What bin/laws found, put together: php tools/laws-said.php owed KEEP [all], or draw KEEP SEED. */

require dirname(__DIR__) . '/vendor/autoload.php';

use Tests\Laws\Owed;

[, $kind, $keep, $more] = $argv + [3 => ''];
if ($kind === 'owed') {
    $broken = [];
    foreach (glob("{$keep}/owed.*") ?: [] as $file) {
        array_push($broken, ...array_filter(array_map(trim(...), file($file) ?: [])));
    }
    $old = array_filter(
        array_map(trim(...), is_file(Owed::path()) ? (file(Owed::path()) ?: []) : []),
        fn(string $l): bool => $l !== '' && $l[0] !== '#',
    );
    // The second opinion is asked elsewhere.
    array_push($broken, ...(new Owed())->of('second'));
    Owed::write($more === 'all' ? $broken : array_intersect($old, $broken));
    $new = array_diff($broken, $old);
    printf("%d broken, %d of them not owed before\n", count(array_unique($broken)), count(array_unique($new)));
    exit($more === 'all' || $new === [] ? 0 : 1);
}
$pairs = $classes = [];
$rigs = $refused = $seconds = 0;
foreach (glob("{$keep}/draw.{$more}.?.json") ?: [] as $file) {
    $kept = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);
    $rigs += count($kept['rigs']);
    $refused += $kept['refused'];
    $seconds += $kept['seconds'];
    foreach ($kept['pairs'] as $law => $count) {
        $pairs[$law] = ($pairs[$law] ?? 0) + $count;
    }
    foreach ($kept['broken'] as [$law, $rule, $step, $what, $rig, $whole, $detail]) {
        $classes[
            "{$law} | {$rule} | " . ($law === 'back' ? '' : $step) . " | {$what}"
        ][] = "{$rig}, {$whole}: {$detail}";
    }
}
uasort($classes, fn(array $a, array $b): int => count($b) <=> count($a));
foreach ($classes as $class => $all) {
    printf("%5d %s\n        e.g. %s\n", count($all), $class, $all[0]);
}
echo "\n";
foreach ($pairs as $law => $count) {
    $broken = array_sum(
        array_map(
            count(...),
            array_filter($classes, fn(string $c): bool => str_starts_with($c, "{$law} |"), ARRAY_FILTER_USE_KEY),
        ),
    );
    printf("%s: %d pairs, %d broken\n", $law, $count, $broken);
}
printf(
    "seed %s: %d pairs of rig and step on %d rigs, %d steps refused by the format, %.0f s of one core\n",
    $more,
    ($pairs['worse'] ?? 0) + ($pairs['beside'] ?? 0),
    $rigs,
    $refused,
    $seconds,
);
