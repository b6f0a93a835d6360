<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\CheckText;
use Hollin\Core\Answers\FlowAnswer;
use Hollin\Core\Answers\HeldProofs;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Remedies;
use Hollin\Core\Answers\StateAnswer;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Doubts;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\Spice;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** Judges a job file without the database. */
final class Check extends Command
{
    private const CLEAN = 0;

    private const DANGER = 1;

    private const UNREADABLE = 2;

    private const CRASHED = 3;

    protected $signature = 'hollin:check {file : a job file} {--json : the answers as JSON}
        {--view= : only this view, for example as_found or plan/stage}
        {--state= : one state only: a named one to start from, as it comes to rest, with its figures}
        {--set=* : set a control or a surrounding in it, as control:position}
        {--scenario= : loads that run: one of the needs, or none, or all}
        {--on=* : a load that runs, as circuit.load}
        {--charge= : of the batteries: full, half or low; as the state says when left out}
        {--probe= : what a meter shows there: two terminals a,b; an element for a clamp; a circuit for a tester}
        {--function=ac_volts : of the meter}
        {--not-zeroed : the DC clamp was not zeroed}
        {--netlist= : the state as SPICE: ac or dc prints that side, anything else names two files}';

    protected $description =
        'Judge a job file: what is live, findings, sizes. ' .
        'Exit 0 clean, 1 a danger found, 2 unreadable, 3 no answer: an error of the program.';

    public function handle(): int
    {
        try {
            return $this->judged();
        } catch (\Throwable $e) {
            // A crash must never be taken for a verdict.
            report($e);
            $words = sprintf(
                'no answer: the program failed on this file (%s: %s, %s:%d). Nothing was checked.',
                $e::class,
                $e->getMessage(),
                basename($e->getFile()),
                $e->getLine(),
            );
            $problem = new Problem('', $words);
            $this->tell([$problem]);

            return self::CRASHED;
        }
    }

    private function judged(): int
    {
        try {
            $document = JobFile::read($this->text());
        } catch (BadJobFile $e) {
            return $this->unreadable($e->problems);
        }
        $doubts = Doubts::of($document);
        foreach ($this->option('json') ? [] : $doubts as $doubt) {
            $this->getOutput()
                ->getErrorStyle()
                ->writeln("warning: {$doubt->pointer} {$doubt->message}", OutputInterface::OUTPUT_RAW);
        }
        $proofs = new HeldProofs();
        $job = new JobAnswers($document, $proofs);
        $views = array_values(
            array_filter(
                $job->views,
                fn(array $v): bool => $this->option('view') === null || $v['id'] === $this->option('view'),
            ),
        );
        if ($views === []) {
            return $this->unreadable([
                new Problem(
                    '',
                    sprintf(
                        'has no view "%s"; it has: %s.',
                        $this->option('view'),
                        implode(', ', array_column($job->views, 'id')),
                    ),
                ),
            ]);
        }
        if (
            $this->option('state') !== null ||
            $this->option('set') !== [] ||
            $this->option('probe') !== null ||
            $this->option('netlist') !== null
        ) {
            try {
                $view = $this->option('view') ?? $job->views[count($job->views) - 1]['id'];

                return $this->oneState($view, $job->rig($view) ?? throw new \LogicException('the view is there'));
            } catch (Refused $e) {
                return $this->unreadable($e->problems);
            }
        }
        $danger = false;
        $answers = [];
        $remedies = new Remedies($document, $proofs, $job);
        foreach ($views as $view) {
            try {
                $answer = $job->answer($view['hash']);
                $flows = $this->option('json')
                    ? FlowAnswer::ofAll($job->rig($view['id']) ?? throw new \LogicException('the view is there'))
                    : [];
            } catch (Refused $e) {
                return $this->unreadable($e->problems);
            }
            // A pedestal that is wired wrong is no fault of the plan: it is told, and does not decide.
            $danger =
                $danger ||
                array_filter(
                    $answer['findings'],
                    fn(array $f): bool => $f['severity'] === 'danger' && $f['ways']['kind'] !== 'outside',
                ) !== [];
            if ($this->option('json')) {
                // What the program offers has been tried; only for a file read by a program, as it takes its time.
                $answer['findings'] = array_map(
                    fn(array $f): array => ['remedies' => $remedies->of($view['id'], $f['id']) ?? []] + $f,
                    $answer['findings'],
                );
            }
            $answers[$view['id']] = $answer + ['flows' => $flows];
            if (!$this->option('json')) {
                $this->say()->view($view['title'], json_decode((string) json_encode($answer), true));
            }
        }
        if ($this->option('json')) {
            $this->output->writeln(
                (string) json_encode(
                    [
                        'title' => $document->title,
                        'warnings' => array_map(fn(Problem $p): array => $p->toArray(), $doubts),
                        'views' => $views,
                        'answers' => $answers,
                    ],
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
                ),
                OutputInterface::OUTPUT_RAW,
            );
        } else {
            $this->line(
                'Local code, the equipment\'s instructions and licensed practice rule over everything printed here.',
            );
        }

        return $danger ? self::DANGER : self::CLEAN;
    }

    /** One state as somebody sets it: how it comes to rest, its figures, what a meter shows, its netlist. */
    private function oneState(string $view, Examination $rig): int
    {
        $running = $this->running($rig);
        $state = $this->option('state') ?? array_key_first($rig->named);
        $named =
            $rig->named[$state] ??
            ($rig->faults()[$state] ??
                throw Refused::because(
                    '/state',
                    sprintf(
                        '"%s" is not a named state; there is: %s.',
                        $state,
                        implode(', ', [...array_keys($rig->named), ...array_keys($rig->faults())]),
                    ),
                ));
        $charge = $this->option('charge') === null ? $named->charge : $this->oneOf('charge', ['full', 'half', 'low']);
        $controls = $named->setting->controls;
        $surroundings = $named->setting->surroundings;
        foreach ((array) $this->option('set') as $set) {
            [$control, $position] = explode(':', (string) $set, 2) + [1 => ''];
            isset($surroundings[$control]) ? ($surroundings[$control] = $position) : ($controls[$control] = $position);
        }
        $answer = new StateAnswer($rig, $controls, $surroundings, array_keys($running), $charge);
        if ($this->option('netlist') !== null) {
            return $this->netlist($answer, "{$view} {$state}");
        }
        $said = ['view' => $view, 'state' => $state, 'controls' => $controls, 'surroundings' => $surroundings];
        if ($this->option('probe') !== null) {
            [$a, $b] = explode(',', (string) $this->option('probe'), 2) + [1 => ''];
            $said += [
                'function' => $this->option('function'),
                'probe' => [$a, $b],
                'reading' => $answer
                    ->reading((string) $this->option('function'), trim($a), trim($b), !$this->option('not-zeroed'))
                    ->toArray(),
            ];
        } else {
            $said += [
                'positions' => $answer->positions(),
                'moves' => $answer->moves(),
                'flow' => $answer->figures($running),
            ];
        }
        if ($this->option('json')) {
            $this->output->writeln(
                (string) json_encode($said, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
                OutputInterface::OUTPUT_RAW,
            );

            return self::CLEAN;
        }
        $this->say()->state($named->title, json_decode((string) json_encode($said), true));

        return self::CLEAN;
    }

    /** @return array<string, true> */
    private function running(Examination $rig): array
    {
        $scenario = $this->option('scenario');
        $running = match (true) {
            $scenario === null || $scenario === 'none' => [],
            $scenario === 'all' => $rig->allLoads(),
            default => $rig->needs->scenarios[$scenario]['running'] ??
                throw Refused::because(
                    '/scenario',
                    sprintf(
                        '"%s" is no scenario of the needs; there is: %s.',
                        $scenario,
                        implode(', ', ['none', 'all', ...array_keys($rig->needs->scenarios)]),
                    ),
                ),
        };
        foreach ((array) $this->option('on') as $load) {
            $running[(string) $load] = true;
        }

        return $running;
    }

    /** @param non-empty-list<string> $choices */
    private function oneOf(string $option, array $choices): string
    {
        $value = $this->option($option);
        $value = is_string($value) ? $value : '';

        return in_array($value, $choices, true)
            ? $value
            : throw Refused::because(
                "/{$option}",
                sprintf('"%s" must be one of: %s.', $value, implode(', ', $choices)),
            );
    }

    private function netlist(StateAnswer $answer, string $title): int
    {
        $flow = $answer->flow();
        if (!$flow->isSolved()) {
            throw Refused::because('/netlist', (string) $flow->trouble);
        }
        $decks = ['ac' => Spice::ac($flow, $title), 'dc' => Spice::dc($flow, $title)];
        $wanted = (string) $this->option('netlist');
        if (isset($decks[$wanted])) {
            $this->output->write($decks[$wanted], false, OutputInterface::OUTPUT_RAW);

            return self::CLEAN;
        }
        $base = (string) preg_replace('/\.(cir|sp|net)$/', '', $wanted);
        foreach ($decks as $side => $deck) {
            if (!is_dir(dirname($base)) || @file_put_contents("{$base}.{$side}.cir", $deck) === false) {
                throw Refused::because('/netlist', "\"{$base}.{$side}.cir\" cannot be written.");
            }
            $this->say()->line("written: {$base}.{$side}.cir");
        }

        return self::CLEAN;
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

    /** @param list<Problem> $problems */
    private function unreadable(array $problems): int
    {
        $this->tell($problems);

        return self::UNREADABLE;
    }

    /** @param list<Problem> $problems */
    private function tell(array $problems): void
    {
        if ($this->option('json')) {
            $this->output->writeln(
                (string) json_encode(
                    ['problems' => array_map(fn(Problem $p): array => $p->toArray(), $problems)],
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
                ),
                OutputInterface::OUTPUT_RAW,
            );
        }
        foreach ($problems as $problem) {
            $this->getOutput()
                ->getErrorStyle()
                ->writeln(
                    ($problem->pointer === '' ? 'file' : $problem->pointer) . ' ' . $problem->message,
                    OutputInterface::OUTPUT_RAW,
                );
        }
    }

    private function say(): CheckText
    {
        return new CheckText($this->output);
    }
}
