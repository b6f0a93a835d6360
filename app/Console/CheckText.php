<?php

declare(strict_types=1);

namespace App\Console;

use Hollin\Core\Components\Catalogue;
use Symfony\Component\Console\Output\OutputInterface;

/** The answers of `hollin:check` for somebody who reads them, line by line. */
final class CheckText
{
    public function __construct(private readonly OutputInterface $output) {}

    /** @param array<string, mixed> $said */
    public function state(string $title, array $said): void
    {
        $this->line("== {$said['view']}, {$title} ==");
        if (isset($said['reading'])) {
            $reading = $said['reading'];
            $value =
                $reading['value'] === null
                    ? ''
                    : rtrim(rtrim(sprintf('%.3f', $reading['value']), '0'), '.') .
                        ($reading['highest'] === null ? '' : sprintf(' to %.3f', $reading['highest'])) .
                        " {$reading['unit']}";
            $this->line(
                trim(
                    implode(' to ', array_filter($said['probe'])) .
                        ", {$said['function']}: {$value} {$reading['words']}",
                ),
            );

            return;
        }
        $flow = $said['flow'];
        foreach ($said['moves'] as $move) {
            $this->line(sprintf('%8.2f s  %s: %s', $move['atS'], $move['device'], $move['to']));
        }
        if (!$flow['converged']) {
            $this->line((string) $flow['trouble']);

            return;
        }
        foreach ($flow['sources'] as $id => $source) {
            $this->line(
                sprintf('%-28s %8.2f V %9.2f A %9.1f W', $id, $source['volts'], $source['amps'], $source['watts']),
            );
        }
        foreach ($flow['loads'] as $id => $load) {
            $this->line(
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
            $this->line(
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

    /** @param array<string, mixed> $answer */
    public function view(string $title, array $answer): void
    {
        $this->line("== {$title} ==");
        $this->line(
            sprintf(
                '%s (%d settings gone through, %d electrical situations)',
                $answer['checked']['words'],
                $answer['checked']['reduced'],
                $answer['checked']['situations'],
            ),
        );
        $this->line('');
        $this->table($answer);
        $this->findings($answer);
        $this->sizes($answer);
        $this->assumptions($answer);
        $this->line('');
    }

    /** @param array<string, mixed> $answer */
    private function table(array $answer): void
    {
        $this->line(
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
            $this->line(
                sprintf(
                    '  %-38s %s',
                    mb_strimwidth($row['label'], 0, 38, '…'),
                    implode(' ', array_map(fn(string $c): string => str_pad($c, 3), $cells)),
                ),
            );
        }
        $this->line(
            '  letter: works from that source; letter*: works, its current comes home over grounds; !letter: ' .
                'live, does not work; -: dead. Measure before you touch.',
        );
        $this->line('');
    }

    /** @param array<string, mixed> $answer */
    private function findings(array $answer): void
    {
        foreach ($answer['findings'] as $finding) {
            $this->line(
                sprintf(
                    '%-8s %s: %s [%s]',
                    strtoupper($finding['severity']),
                    $finding['title'],
                    $finding['text'],
                    $finding['ways']['words'],
                ),
            );
            foreach ($finding['figures'] as $figure) {
                $this->line(
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
            $this->line('No findings.');
        }
        foreach ($answer['prevented'] as $prevented) {
            $this->line("made impossible: {$prevented['title']} by {$prevented['words']}");
        }
    }

    /** @param array<string, mixed> $answer */
    private function sizes(array $answer): void
    {
        foreach ($answer['sizes'] as $size) {
            $this->line('');
            $this->line(
                "Battery-inverter circuit ({$size['school']}), round trip {$size['roundTripM']} m" .
                    ($size['roundTripAssumed'] ? ' assumed' : ''),
            );
            foreach ($size['figures'] as $figure) {
                $this->line(sprintf('  %-28s %7.1f A = %s', $figure['label'], $figure['value'], $figure['arithmetic']));
            }
            foreach ($size['choices'] as $choice) {
                $this->line(
                    '  ' .
                        ($choice['possible']
                            ? "{$choice['spoken']}, {$choice['governs']} governs: {$choice['arithmetic']}"
                            : "{$choice['parallel']} in parallel: {$choice['why']}"),
                );
            }
            foreach ($size['fuse']['families'] as $family) {
                $this->line(
                    sprintf(
                        '  fuse %-16s %s: %s',
                        $family['label'],
                        $family['suits'] ? "{$family['ratingA']} A suits" : 'does not suit',
                        $family['why'],
                    ),
                );
            }
        }
    }

    /** @param array<string, mixed> $answer */
    private function assumptions(array $answer): void
    {
        if ($answer['assumptions'] !== []) {
            $this->line('');
            $this->line(
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
    }

    /** Text from a job file may look like a console tag: it is printed as it is, control characters taken out. */
    public function line(string $line): void
    {
        $this->output->writeln(
            (string) preg_replace('/[\x00-\x08\x0b-\x1f\x7f]/u', '', $line),
            OutputInterface::OUTPUT_RAW,
        );
    }
}
