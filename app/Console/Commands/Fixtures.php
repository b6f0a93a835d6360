<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Controllers\ReferenceController;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Illuminate\Console\Command;

/** Answers of the example files as they are now, for the tests of the interface: made, never kept. */
final class Fixtures extends Command
{
    private const FROM = [
        'demo' => 'tests/golden/format-1.json',
        'archive' => 'docs/examples/archive-trailer.json',
        'tideline' => 'docs/examples/tide-line-van.json',
        'bellows' => 'docs/examples/bellows-trailer.json',
    ];

    protected $signature = 'hollin:fixtures';

    protected $description = 'Write the reference and answers of examples to storage/fixtures, for interface tests';

    public function handle(ReferenceController $reference): int
    {
        @mkdir(base_path('storage/fixtures'), 0o755, true);
        file_put_contents(base_path('storage/fixtures/reference.json'), $reference->show()->getContent());
        foreach (self::FROM as $name => $file) {
            $job = new JobAnswers(JobFile::read((string) file_get_contents(base_path($file))));
            $answers = [];
            foreach ($job->views as $view) {
                $answers[$view['id']] = $job->answer($view['hash']);
            }
            file_put_contents(
                base_path("storage/fixtures/{$name}.json"),
                json_encode($answers, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            );
        }

        return self::SUCCESS;
    }
}
