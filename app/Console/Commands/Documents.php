<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\OpenApiDocument;
use Database\Seeders\DemoRigs;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Document\Schema;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Rules\Rule;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Unclaimed;
use Illuminate\Console\Command;

/** Writes the documents that are made from the code; with --check says which are stale. */
final class Documents extends Command
{
    protected $signature = 'hollin:documents {--check : write nothing, fail when one is stale}';

    protected $description =
        'Write docs/openapi.json, docs/job-file.schema.json, docs/rules.md ' . 'and docs/examples from the code';

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
                @mkdir(dirname($path), 0o755, true);
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
            'resources/js/ui/sizes.json' => self::sizes(),
            ...self::examples(),
        ];
    }

    /** Conductor sizes for the interface: by designation, how it is said, its area, and what it is misread for. */
    private static function sizes(): string
    {
        $sizes = array_map(
            fn(ConductorSize $size): array => [
                'spoken' => $size->spoken(),
                'areaMm2' => round($size->areaMm2, 3),
                'printedInMm2' => !$size->isAwg(),
                'twin' => $size->twin()?->designation,
            ],
            ConductorSize::all(),
        );

        return json_encode(
            $sizes,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
        ) . "\n";
    }

    /**
     * The demo rigs and the whole files of the guide, as job files to start from.
     *
     * @return array<string, string>
     */
    private static function examples(): array
    {
        $files = [];
        foreach (
            [
                'grafting' => 'grafting-trailer',
                'archive' => 'archive-trailer',
                'tideline' => 'tide-line-van',
                'causeway' => 'causeway-van',
                'bellows' => 'bellows-trailer',
                'kite' => 'kite-camper',
            ]
            as $name => $file
        ) {
            $files["docs/examples/{$file}.json"] = JobFile::write(DemoRigs::document($name));
        }
        preg_match_all('/```json\n(.*?)```/s', (string) file_get_contents(base_path('docs/job-file.md')), $found);
        foreach ($found[1] as $text) {
            $value = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
            if ($value instanceof \stdClass && isset($value->hollin)) {
                $files['docs/examples/' . \Illuminate\Support\Str::slug($value->title) . '.json'] = JobFile::write(
                    $value,
                );
            }
        }

        return $files;
    }

    private static function rules(): string
    {
        $text =
            "# Rules\n\nMade from the rule classes by `php artisan hollin:documents`. " .
            'Clauses and values are from memory unless said otherwise; ' .
            "local code, the equipment's instructions and licensed practice rule.\n";
        foreach (RuleBook::rules() as $rule) {
            $d = $rule::definition();
            $text .=
                "\n## {$d->title}\n\n`{$d->id}` · {$d->severity->value}" .
                ($d->passing === null ? '' : ", {$d->passing->value} while it passes by itself") .
                ' · ' .
                self::kind($rule) .
                "\n\n{$d->explanation}\n\nSource: {$d->source->text()}.\n\n";
            if ($rule instanceof Unclaimed) {
                $text .= 'Nothing is claimed impossible of it. ' . $rule::whyUnclaimed() . "\n\n";
            }
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
