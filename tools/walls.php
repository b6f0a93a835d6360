<?php

declare(strict_types=1);

/* Writes the walls of the demo rigs and of drawn ones, as the core answers them: php tools/walls.php FILE [DRAWN] */

require dirname(__DIR__) . '/vendor/autoload.php';

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;

$walls = function (JobAnswers $job): array {
    $found = [];
    foreach ($job->views as $view) {
        $found[$view['id']] = $job->answer($view['hash'])['wall'];
    }

    return $found;
};
$all = [];
foreach (glob(dirname(__DIR__) . '/docs/examples/*.json') ?: [] as $file) {
    $all[basename($file, '.json')] = $walls(new JobAnswers(JobFile::read((string) file_get_contents($file))));
}
for ($seed = 1; $seed <= (int) ($argv[2] ?? 30) / 2; $seed++) {
    $all["varied {$seed}"] = $walls(new JobAnswers(Tests\Rigs::varied($seed)));
    $all["generated {$seed}"] = $walls(new JobAnswers(Tests\Rigs::generated($seed)));
}
file_put_contents($argv[1], json_encode($all, JSON_THROW_ON_ERROR));
