<?php

declare(strict_types=1);

/* Writes job files of drawn rigs into a folder: php tools/drawn.php FOLDER HOW-MANY */

require dirname(__DIR__) . '/vendor/autoload.php';

for ($seed = 1; $seed <= (int) $argv[2]; $seed++) {
    file_put_contents("{$argv[1]}/varied-{$seed}.json", Hollin\Core\Document\JobFile::write(Tests\Rigs::varied($seed)));
    file_put_contents(
        "{$argv[1]}/generated-{$seed}.json",
        Hollin\Core\Document\JobFile::write(Tests\Rigs::generated($seed)),
    );
}
