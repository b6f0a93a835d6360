<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Components\Catalogue;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\JobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Illuminate\Console\Command;

/** Judges a job file without the database. */
final class Check extends Command
{
    private const CLEAN = 0;

    private const DANGER = 1;

    private const UNREADABLE = 2;

    protected $signature = 'hollin:check {file : a job file} {--json : the answers as JSON} {--view= : only this view, for example as_found or plan/stage}';

    protected $description = 'Judge a job file: what is live, findings, sizes. Exit 0 clean, 1 a danger found, 2 unreadable.';

    public function handle(): int
    {
        try {
            $document = JobFile::read($this->text());
        } catch (BadJobFile $e) {
            return $this->unreadable($e->problems);
        }
        $job = new JobAnswers($document);
        $views = array_values(array_filter($job->views, fn(array $v): bool => $this->option('view') === null || $v['id'] === $this->option('view')));
        if ($views === []) {
            return $this->unreadable([new Problem('', sprintf('has no view "%s"; it has: %s.', $this->option('view'), implode(', ', array_column($job->views, 'id'))))]);
        }
        $danger = false;
        $answers = [];
        foreach ($views as $view) {
            try {
                $answer = $job->answer($view['hash']);
            } catch (Refused $e) {
                return $this->unreadable($e->problems);
            }
            // A pedestal that is wired wrong is no fault of the plan: it is told, and does not decide.
            $danger = $danger || array_filter($answer['findings'], fn(array $f): bool => $f['severity'] === 'danger' && $f['ways']['kind'] !== 'outside') !== [];
            $answers[$view['id']] = $answer;
            if (!$this->option('json')) {
                $this->tell($view['title'], json_decode((string) json_encode($answer), true));
            }
        }
        if ($this->option('json')) {
            $this->output->writeln((string) json_encode(['title' => $document->title, 'views' => $views, 'answers' => $answers], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
        } else {
            $this->line('Local code, the equipment\'s instructions and licensed practice rule over everything printed here.');
        }

        return $danger ? self::DANGER : self::CLEAN;
    }

    private function text(): string
    {
        $file = (string) $this->argument('file');
        if (!is_file($file) || !is_readable($file)) {
            throw BadJobFile::because('', sprintf('"%s" is not a file that can be read.', $file));
        }
        $text = file_get_contents($file, length: JobFile::MOST_BYTES + 1);

        return $text === false ? throw BadJobFile::because('', 'cannot be read.') : $text;
    }

    /** @param array<string, mixed> $answer */
    private function tell(string $title, array $answer): void
    {
        $this->raw("== {$title} ==");
        $this->raw(sprintf('%s states checked (%d after exact reduction, %d electrical situations)', number_format($answer['checked']['states']), $answer['checked']['reduced'], $answer['checked']['situations']));
        $this->raw('');
        $this->raw('What is live   ' . implode('  ', array_map(fn(array $s): string => "{$s['letter']} = {$s['title']}", $answer['states'])));
        foreach ($answer['table'] as $row) {
            $cells = array_map(fn(array $c): string => match ($c['kind']) {
                'works' => $c['source'], 'live' => '!' . $c['source'], default => '-',
            }, $row['cells']);
            $this->raw(sprintf('  %-38s %s', mb_strimwidth($row['label'], 0, 38, '…'), implode(' ', array_map(fn(string $c): string => str_pad($c, 3), $cells))));
        }
        $this->raw('  letter: works from that source; !letter: live, does not work; -: dead. Measure before you touch.');
        $this->raw('');
        foreach ($answer['findings'] as $finding) {
            $this->raw(sprintf('%-8s %s: %s [%s]', strtoupper($finding['severity']), $finding['title'], $finding['text'], $finding['ways']['words']));
            foreach ($finding['figures'] as $figure) {
                $this->raw(sprintf('           %s %s %s%s = %s (%s)', $figure['label'], round($figure['value'], 2), $figure['unit'], $figure['limit'] === null ? '' : " (limit {$figure['limit']})", $figure['arithmetic'], $figure['source']));
            }
        }
        if ($answer['findings'] === []) {
            $this->raw('No findings.');
        }
        foreach ($answer['prevented'] as $prevented) {
            $this->raw("made impossible: {$prevented['title']} by {$prevented['words']}");
        }
        foreach ($answer['sizes'] as $size) {
            $this->raw('');
            $this->raw("Battery-inverter circuit ({$size['school']}), round trip {$size['roundTripM']} m" . ($size['roundTripAssumed'] ? ' assumed' : ''));
            foreach ($size['figures'] as $figure) {
                $this->raw(sprintf('  %-28s %7.1f A = %s', $figure['label'], $figure['value'], $figure['arithmetic']));
            }
            foreach ($size['choices'] as $choice) {
                $this->raw('  ' . ($choice['possible'] ? "{$choice['spoken']}, {$choice['governs']} governs: {$choice['arithmetic']}" : "{$choice['parallel']} in parallel: {$choice['why']}"));
            }
            foreach ($size['fuse']['families'] as $family) {
                $this->raw(sprintf('  fuse %-16s %s: %s', $family['label'], $family['suits'] ? "{$family['ratingA']} A suits" : 'does not suit', $family['why']));
            }
        }
        if ($answer['assumptions'] !== []) {
            $this->raw('');
            $this->raw(sprintf('%d values are assumed, not measured: %s', count($answer['assumptions']), implode(', ', array_slice(array_map(fn(array $a): string => "{$a['label']}: " . Catalogue::placeWords($a['type'], $a['what']), $answer['assumptions']), 0, 6))) . (count($answer['assumptions']) > 6 ? ' …' : ''));
        }
        $this->raw('');
    }

    /** @param list<Problem> $problems */
    private function unreadable(array $problems): int
    {
        if ($this->option('json')) {
            $this->output->writeln((string) json_encode(['problems' => array_map(fn(Problem $p): array => $p->toArray(), $problems)], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
        }
        foreach ($problems as $problem) {
            $this->getOutput()->getErrorStyle()->writeln(($problem->pointer === '' ? 'file' : $problem->pointer) . ' ' . $problem->message, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
        }

        return self::UNREADABLE;
    }

    /** Text from a job file may look like a console tag: it is printed as it is, control characters taken out. */
    private function raw(string $line): void
    {
        $this->output->writeln((string) preg_replace('/[\x00-\x08\x0b-\x1f\x7f]/u', '', $line), \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
    }
}
