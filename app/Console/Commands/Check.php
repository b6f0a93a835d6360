<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Hollin\Core\Answers\FlowAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Remedies;
use Hollin\Core\Answers\StateAnswer;
use Hollin\Core\Components\Catalogue;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Doubts;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\Spice;
use Illuminate\Console\Command;

/** Judges a job file without the database. */
final class Check extends Command
{
    private const CLEAN = 0;

    private const DANGER = 1;

    private const UNREADABLE = 2;

    protected $signature = 'hollin:check {file : a job file} {--json : the answers as JSON}
        {--view= : only this view, for example as_found or plan/stage}
        {--state= : one state only: a named one to start from, as it comes to rest, with its figures}
        {--set=* : set a control or a surrounding in it, as control:position}
        {--scenario= : loads that run: one of the needs, or none, or all}
        {--on=* : a load that runs, as circuit.load}
        {--charge=half : of the batteries: full, half or low}
        {--probe= : what a meter shows there: two terminals a,b; an element for a clamp; a circuit for a tester}
        {--function=ac_volts : of the meter}
        {--not-zeroed : the DC clamp was not zeroed}
        {--netlist= : the state as SPICE: ac or dc prints that side, anything else names two files}';

    protected $description =
        'Judge a job file: what is live, findings, sizes. ' . 'Exit 0 clean, 1 a danger found, 2 unreadable.';

    public function handle(): int
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
                ->writeln(
                    "warning: {$doubt->pointer} {$doubt->message}",
                    \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
                );
        }
        $job = new JobAnswers($document);
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
        $remedies = new Remedies($document);
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
                $this->tell($view['title'], json_decode((string) json_encode($answer), true));
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
                \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
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
        $charge = $this->oneOf('charge', ['full', 'half', 'low']);
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
                \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
            );

            return self::CLEAN;
        }
        $this->tellState($named->title, json_decode((string) json_encode($said), true));

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
            $this->output->write($decks[$wanted], false, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);

            return self::CLEAN;
        }
        $base = (string) preg_replace('/\.(cir|sp|net)$/', '', $wanted);
        foreach ($decks as $side => $deck) {
            if (!is_dir(dirname($base)) || @file_put_contents("{$base}.{$side}.cir", $deck) === false) {
                throw Refused::because('/netlist', "\"{$base}.{$side}.cir\" cannot be written.");
            }
            $this->raw("written: {$base}.{$side}.cir");
        }

        return self::CLEAN;
    }

    /** @param array<string, mixed> $said */
    private function tellState(string $title, array $said): void
    {
        $this->raw("== {$said['view']}, {$title} ==");
        if (isset($said['reading'])) {
            $reading = $said['reading'];
            $value =
                $reading['value'] === null
                    ? ''
                    : rtrim(rtrim(sprintf('%.3f', $reading['value']), '0'), '.') .
                        ($reading['highest'] === null ? '' : sprintf(' to %.3f', $reading['highest'])) .
                        " {$reading['unit']}";
            $this->raw(
                trim(
                    implode(' to ', array_filter($said['probe'])) .
                        ", {$said['function']}: {$value} {$reading['words']}",
                ),
            );

            return;
        }
        $flow = $said['flow'];
        foreach ($said['moves'] as $move) {
            $this->raw(sprintf('%8.2f s  %s: %s', $move['atS'], $move['device'], $move['to']));
        }
        if (!$flow['converged']) {
            $this->raw((string) $flow['trouble']);

            return;
        }
        foreach ($flow['sources'] as $id => $source) {
            $this->raw(
                sprintf('%-28s %8.2f V %9.2f A %9.1f W', $id, $source['volts'], $source['amps'], $source['watts']),
            );
        }
        foreach ($flow['loads'] as $id => $load) {
            $this->raw(
                sprintf(
                    '%-28s %8.2f V %9.2f A %9.1f W%s',
                    $id,
                    $load['volts'],
                    $load['amps'],
                    $load['watts'],
                    $load['on'] ? '' : '  off',
                ),
            );
        }
        foreach ($flow['trips'] as $trip) {
            $this->raw(
                sprintf(
                    '%s: %.1f A of %.4g A, %s%s',
                    $trip['id'],
                    $trip['amps'],
                    $trip['ratingA'],
                    $trip['then'],
                    $trip['afterS'] === null ? '' : sprintf(' after about %.4g s', $trip['afterS']),
                ),
            );
        }
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
        $this->raw(
            sprintf(
                '%s (%d settings gone through, %d electrical situations)',
                $answer['checked']['words'],
                $answer['checked']['reduced'],
                $answer['checked']['situations'],
            ),
        );
        $this->raw('');
        $this->raw(
            'What is live   ' .
                implode('  ', array_map(fn(array $s): string => "{$s['letter']} = {$s['title']}", $answer['states'])),
        );
        foreach ($answer['table'] as $row) {
            $cells = array_map(
                fn(array $c): string => match ($c['kind']) {
                    'works' => $c['source'],
                    'ground' => $c['source'] . '*',
                    'live' => '!' . $c['source'],
                    default => '-',
                },
                $row['cells'],
            );
            $this->raw(
                sprintf(
                    '  %-38s %s',
                    mb_strimwidth($row['label'], 0, 38, '…'),
                    implode(' ', array_map(fn(string $c): string => str_pad($c, 3), $cells)),
                ),
            );
        }
        $this->raw(
            '  letter: works from that source; letter*: works, its current comes home over grounds; !letter: ' .
                'live, does not work; -: dead. Measure before you touch.',
        );
        $this->raw('');
        foreach ($answer['findings'] as $finding) {
            $this->raw(
                sprintf(
                    '%-8s %s: %s [%s]',
                    strtoupper($finding['severity']),
                    $finding['title'],
                    $finding['text'],
                    $finding['ways']['words'],
                ),
            );
            foreach ($finding['figures'] as $figure) {
                $this->raw(
                    sprintf(
                        '           %s %s %s%s = %s (%s)',
                        $figure['label'],
                        round($figure['value'], 2),
                        $figure['unit'],
                        $figure['limit'] === null ? '' : " (limit {$figure['limit']})",
                        $figure['arithmetic'],
                        $figure['source'],
                    ),
                );
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
            $this->raw(
                "Battery-inverter circuit ({$size['school']}), round trip {$size['roundTripM']} m" .
                    ($size['roundTripAssumed'] ? ' assumed' : ''),
            );
            foreach ($size['figures'] as $figure) {
                $this->raw(sprintf('  %-28s %7.1f A = %s', $figure['label'], $figure['value'], $figure['arithmetic']));
            }
            foreach ($size['choices'] as $choice) {
                $this->raw(
                    '  ' .
                        ($choice['possible']
                            ? "{$choice['spoken']}, {$choice['governs']} governs: {$choice['arithmetic']}"
                            : "{$choice['parallel']} in parallel: {$choice['why']}"),
                );
            }
            foreach ($size['fuse']['families'] as $family) {
                $this->raw(
                    sprintf(
                        '  fuse %-16s %s: %s',
                        $family['label'],
                        $family['suits'] ? "{$family['ratingA']} A suits" : 'does not suit',
                        $family['why'],
                    ),
                );
            }
        }
        if ($answer['assumptions'] !== []) {
            $this->raw('');
            $this->raw(
                sprintf(
                    '%d values are assumed, not measured: %s',
                    count($answer['assumptions']),
                    implode(
                        ', ',
                        array_slice(
                            array_map(
                                fn(array $a): string => "{$a['label']}: " .
                                    Catalogue::placeWords($a['type'], $a['what']),
                                $answer['assumptions'],
                            ),
                            0,
                            6,
                        ),
                    ),
                ) . (count($answer['assumptions']) > 6 ? ' …' : ''),
            );
        }
        $this->raw('');
    }

    /** @param list<Problem> $problems */
    private function unreadable(array $problems): int
    {
        if ($this->option('json')) {
            $this->output->writeln(
                (string) json_encode(
                    ['problems' => array_map(fn(Problem $p): array => $p->toArray(), $problems)],
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
                ),
                \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
            );
        }
        foreach ($problems as $problem) {
            $this->getOutput()
                ->getErrorStyle()
                ->writeln(
                    ($problem->pointer === '' ? 'file' : $problem->pointer) . ' ' . $problem->message,
                    \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
                );
        }

        return self::UNREADABLE;
    }

    /** Text from a job file may look like a console tag: it is printed as it is, control characters taken out. */
    private function raw(string $line): void
    {
        $this->output->writeln(
            (string) preg_replace('/[\x00-\x08\x0b-\x1f\x7f]/u', '', $line),
            \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
        );
    }
}
