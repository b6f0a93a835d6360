<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\OpenApiDocument;
use Database\Seeders\DemoRigs;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Job\JobFile;
use Hollin\Core\Job\Schema;
use Hollin\Core\Rules\Rule;
use Hollin\Core\Rules\RuleBook;
use Illuminate\Console\Command;
use stdClass;

/** Writes the documents that are made from the code; with --check says which are stale. */
final class Documents extends Command
{
    protected $signature = 'hollin:documents {--check : write nothing, fail when one is stale}';

    protected $description = 'Write docs/openapi.json, docs/job-file.schema.json and docs/rules.md from the code';

    public function handle(): int
    {
        $stale = [];
        foreach (self::all() as $file => $text) {
            $path = base_path($file);
            if (is_file($path) && file_get_contents($path) === $text) {
                continue;
            }
            $stale[] = $file;
            if (!$this->option('check')) {
                file_put_contents($path, $text);
            }
        }
        foreach ($stale as $file) {
            $this->line(($this->option('check') ? 'stale: ' : 'written: ') . $file);
        }

        return $this->option('check') && $stale !== [] ? self::FAILURE : self::SUCCESS;
    }

    /** @return array<string, string> */
    public static function all(): array
    {
        return [
            'docs/openapi.json' => OpenApiDocument::json(),
            'docs/job-file.schema.json' => JobFile::write(Schema::document()),
            'docs/rules.md' => self::rules(),
            'tests/golden/answers/demo.json' => self::answers(JobFile::read((string) file_get_contents(base_path('tests/golden/format-1.json')))),
            'tests/golden/answers/archive.json' => self::answers(DemoRigs::document('archive')),
            'tests/golden/answers/tideline.json' => self::answers(DemoRigs::document('tideline')),
        ];
    }


    /** A demo rig's answers: what the interface's own tests are run on. */
    private static function answers(stdClass $document): string
    {
        $job = new JobAnswers($document);
        $answers = [];
        foreach ($job->views as $view) {
            $answers[$view['id']] = $job->answer($view['hash']);
        }

        return json_encode($answers, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES) . "\n";
    }

    private static function rules(): string
    {
        $text = "# Rules\n\nMade from the rule classes by `php artisan hollin:documents`. Clauses and values are from memory unless said otherwise; local code, the equipment's instructions and licensed practice rule.\n";
        foreach (RuleBook::rules() as $rule) {
            $d = $rule::definition();
            $text .= "\n## {$d->title}\n\n`{$d->id}` · {$d->severity->value} · " . self::kind($rule) . "\n\n{$d->explanation}\n\nSource: {$d->source->text()}.\n\n";
            foreach ($d->samples as $sample) {
                $text .= '- ' . ($sample->found ? '**found**: ' : 'silent: ') . "{$sample->title}\n";
            }
        }

        return $text;
    }

    private static function kind(Rule $rule): string
    {
        return $rule instanceof \Hollin\Core\Rules\StateRule ? 'asked in every state' : 'asked once about the rig';
    }
}
