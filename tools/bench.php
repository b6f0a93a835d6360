<?php

declare(strict_types=1);

/*
 * What the figures promise, measured: php tools/bench.php core|scale|flow|sizing|build, or load URL [SECONDS [RIG]]
 * against a running application, the rig tideline or bellows. bin/bench runs them all.
 */

use Illuminate\Contracts\Console\Kernel;
use Tools\Bench\BuildBench;
use Tools\Bench\CoreBench;
use Tools\Bench\FlowBench;
use Tools\Bench\LoadBench;
use Tools\Bench\ScaleBench;
use Tools\Bench\SizingBench;

require dirname(__DIR__) . '/vendor/autoload.php';
$app = require dirname(__DIR__) . '/bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$done = match ($argv[1] ?? '') {
    'core' => (new CoreBench())->run(),
    'scale' => (new ScaleBench())->run(),
    'flow' => (new FlowBench())->run(),
    'sizing' => (new SizingBench())->run(),
    'build' => (new BuildBench())->run(),
    'load' => (new LoadBench($argv[2] ?? '', (float) ($argv[3] ?? 40), $argv[4] ?? 'tideline'))->run(),
    default => fwrite(
        STDERR,
        "Say what: core, scale, flow, sizing, build, or load with the address of a running application.\n",
    ) === 0,
};
exit($done === false ? 1 : 0);
