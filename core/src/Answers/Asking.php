<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\Values;
use Hollin\Core\Parts\Costs;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Parts\RunCost;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Parts\TakeOff;
use Hollin\Core\Parts\Wishes;
use Hollin\Core\Plan\Refused;
use stdClass;

/** Questions about a job file, put by a program: the same answers that the interface shows, without a database. */
final class Asking
{
    /** What can be asked. */
    public const KINDS = [
        'answer',
        'flows',
        'table',
        'stay',
        'alternatives',
        'rulers',
        'trying',
        'place',
        'parts',
        'work',
        'sheet',
    ];

    /** A stock length of cable, m: 25 ft. */
    private const STOCK_M = 7.62;

    /**
     * The answer to one question: `{"kind": …, "doc": job file, "view": …, …}`.
     *
     * @return array<int|string, mixed>
     * @throws Refused when it cannot be asked so
     * @throws \Hollin\Core\Job\BadJobFile when its job file cannot be read
     */
    public static function answer(stdClass $question): array
    {
        $kind = $question->kind ?? null;
        if (!is_string($kind) || !in_array($kind, self::KINDS, true)) {
            throw Refused::because('/kind', 'must be one of: ' . implode(', ', self::KINDS) . '.');
        }
        if (!(($question->doc ?? null) instanceof stdClass)) {
            throw Refused::because('/doc', 'must be a job file.');
        }
        $document = JobFile::read(
            json_encode($question->doc, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE),
        );
        $job = new JobAnswers($document);
        $view = $question->view ?? 'as_found';
        $views = array_column($job->views, 'hash', 'id');
        if (!is_string($view) || !isset($views[$view])) {
            throw Refused::because('/view', 'must be one of: ' . implode(', ', array_keys($views)) . '.');
        }
        $more = new Values((object) array_diff_key(get_object_vars($question), ['doc' => 1, 'kind' => 1, 'view' => 1]));
        $plan = $view === 'as_found' ? '' : explode('/', $view)[0];

        return match ($kind) {
            'answer' => $job->answer($views[$view]),
            'flows' => FlowAnswer::ofAll($job->seen($view)),
            'table' => array_intersect_key($job->answer($views[$view]), ['states' => 1, 'table' => 1, 'checked' => 1]),
            'stay' => self::days($document, $job, $view, $more),
            'alternatives' => AlternativesAnswer::of(
                $document,
                $view,
                new EnergyPrices(Stock::all()),
                $more->has('ways') ? self::rows($question->ways) : null,
            ),
            'rulers' => RulersAnswer::of($document, $view, new RunCost(Stock::all())),
            'trying' => RulersAnswer::trying(
                $document,
                $view,
                $more->text('component'),
                get_object_vars($question->try ?? new stdClass()),
                new RunCost(Stock::all()),
            ),
            'place' => (new PlaceAnswer(
                $job->seen('as_found')->graph,
                $job->seen($view)->graph,
                $document,
                $plan,
                array_map(fn(mixed $spot): array => (array) $spot, (array) ($question->moved ?? new stdClass())),
            ))->toArray(),
            'parts' => self::parts($document, $job, $view, $more),
            'work' => self::work($document, $plan),
            'sheet' => self::sheet($document, $job, $view),
        };
    }

    /** @return array<string, mixed> */
    private static function days(stdClass $document, JobAnswers $job, string $view, Values $more): array
    {
        $days = new DaysAnswer(
            $job->seen($view),
            $document->needs,
            new EnergyPrices(Stock::all()),
            array_values(array_map(strval(...), (array) ($more->raw()->together ?? []))),
        );

        return $days->toArray(null, $more->text('from', 'days'), $more->numberOrNull('value'));
    }

    /** @return array<string, mixed> */
    private static function parts(stdClass $document, JobAnswers $job, string $view, Values $more): array
    {
        $take = new TakeOff($job->seen('as_found')->graph, $job->seen($view)->graph);
        $list = $take->toArray($more->number('stockM', self::STOCK_M));
        $costs = new Costs(Stock::all(), Wishes::of($document->needs->unit ?? null), [], null);

        return $list + ['costs' => $costs->of($list, $take->fresh())];
    }

    /**
     * The work of a plan: its steps in order with what is opened, measured and recorded, and what waits for what.
     *
     * @return array<string, mixed>
     */
    private static function work(stdClass $document, string $plan): array
    {
        if ($plan === '') {
            throw Refused::because('/view', 'must be a view of a plan: what is found needs no work.');
        }

        return BuildAnswer::of($document, $plan)->asked();
    }

    /**
     * What the printed sheet of a view says.
     *
     * @return array<string, mixed>
     */
    private static function sheet(stdClass $document, JobAnswers $job, string $view): array
    {
        $found = $job->answer(array_column($job->views, 'hash', 'id')['as_found']);
        $answer = $view === 'as_found' ? $found : $job->answer(array_column($job->views, 'hash', 'id')[$view]);
        $told = fn(array $f): array => array_intersect_key(
            $f,
            array_flip(['id', 'rule', 'severity', 'title', 'text', 'ways', 'components', 'figures']),
        );

        return [
            'title' => $document->title,
            'view' => $view,
            'states' => $answer['states'],
            'table' => $answer['table'],
            'findings' => array_map($told, $answer['findings']),
            'asFound' => array_map($told, $found['findings']),
            'prevented' => $answer['prevented'],
            'sizes' => $answer['sizes'],
            'checked' => $answer['checked'],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function rows(mixed $given): array
    {
        return array_values(array_map(fn(mixed $row): array => (array) $row, (array) $given));
    }
}
