<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Build\AsBuilt;
use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Baseline;
use Hollin\Core\Build\Caution;
use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Difference;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Label;
use Hollin\Core\Build\Link;
use Hollin\Core\Build\Logbook;
use Hollin\Core\Build\OpenItem;
use Hollin\Core\Build\Setting;
use Hollin\Core\Build\Site;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\StepState;
use Hollin\Core\Build\SurveyReading;
use Hollin\Core\Build\Times;
use Hollin\Core\Build\Work;
use Hollin\Core\Components\Topology;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use stdClass;

/** The work of a plan, stage by stage, and how it stands by the logbook. Holds no rig, so that it can be kept. */
final readonly class BuildAnswer
{
    /**
     * @param list<array<string, mixed>> $stages
     * @param list<OpenItem> $capped parts below what an inverter asks for: they cap its power until they are replaced
     */
    private function __construct(
        public string $plan,
        public string $title,
        public Work $work,
        public array $stages,
        private array $capped,
    ) {}

    /**
     * @param stdClass $document a job file
     * @throws Refused when there is no such plan
     */
    public static function of(stdClass $document, string $plan): self
    {
        if (!isset($document->plans->{$plan})) {
            throw Refused::because(
                '/plan',
                'is not a plan of this job: ' .
                    (implode(', ', array_keys(get_object_vars($document->plans))) ?: 'it has none yet') .
                    '.',
            );
        }
        $answers = new JobAnswers($document);
        $was = $found = $answers->seen('as_found');
        $stages = [];
        foreach (Planned::inOrder($document->plans->{$plan}->stages) as $id => $stage) {
            $is = $answers->seen("{$plan}/{$id}");
            $site = new Site((string) $id, $stage->title, $was, $is, $document->place ?? new stdClass(), $plan);
            $stages[] = Compiled::of($site, $stages === [] ? Baseline::of($found) : [], self::caps($site));
            $was = $is;
        }

        return new self(
            $plan,
            $document->plans->{$plan}->title,
            Compiled::inARow($stages),
            array_map(self::stage(...), $stages),
            self::capped($stages),
        );
    }

    /** @return array<string, array{words: string, capW: float}> inverter => what holds it below its name */
    private static function caps(Site $site): array
    {
        $caps = [];
        foreach (RigAnswer::sizes($site->is) as $size) {
            if ($size['fuse']['capW'] !== null) {
                $caps[$size['inverter']] = ['words' => $size['fuse']['interim'], 'capW' => $size['fuse']['capW']];
            }
        }

        return $caps;
    }

    /**
     * The rig as far as it is built: its answer, and where found, designed and built differ.
     *
     * @param stdClass $document the job file that this is the work of
     * @return array<string, mixed>
     */
    public function asBuilt(stdClass $document, Logbook $log): array
    {
        $built = new AsBuilt($this->work, $log);
        $answers = new JobAnswers($document);
        $was = $answers->seen('as_found');
        $stages = [];
        foreach (array_keys(Planned::inOrder($document->plans->{$this->plan}->stages)) as $id) {
            $is = $answers->seen("{$this->plan}/{$id}");
            $stages[(string) $id] = Difference::between($was->graph, $is->graph);
            $was = $is;
        }
        $half = clone $document;
        $half->asFound = (object) ['components' => $built->components($document, $this->plan)];
        $half->plans = new stdClass();
        $now = new JobAnswers($half);
        $view = $now->judged('as_found') ?? throw new \LogicException('A rig as found is always there.');

        return ['rows' => $built->rows($stages), 'answer' => RigAnswer::of(...$view)];
    }

    /**
     * The rig as it is drawn, as found and after each stage: what stands where, without any state.
     *
     * @param stdClass $document of the revision
     * @return array<string, array<string, mixed>>
     */
    public function walls(stdClass $document): array
    {
        $answers = new JobAnswers($document);
        $walls = ['as_found' => Topology::of($answers->seen('as_found')->rig)];
        foreach (array_keys(get_object_vars($document->plans->{$this->plan}->stages)) as $id) {
            $walls[(string) $id] = Topology::of($answers->seen("{$this->plan}/{$id}")->rig);
        }

        return $walls;
    }

    /**
     * @param list<Entry> $entries of the logbook, in their order
     * @param list<SurveyReading> $read what the survey had read of the rig as it was found
     */
    public function logbook(array $entries, array $read = []): Logbook
    {
        foreach ($this->work->steps as $id => $step) {
            if ($step->kind === Kind::Baseline) {
                $entries = SurveyReading::among($entries, $read, (string) $id);
            }
        }

        return new Logbook($this->work, $entries);
    }

    /**
     * The work as a program asks for it: each step, who does it, what it opens and measures, what waits for what.
     *
     * @return array<string, mixed>
     */
    public function asked(): array
    {
        $steps = [];
        foreach ($this->work->steps as $id => $step) {
            $opens = $step->kind === Kind::Isolate;
            $steps[] = [
                'id' => $id,
                'title' => $step->title,
                'kind' => $step->kind->value,
                'stage' => $step->stage,
                'room' => $step->where,
                'who' => $step->who->value,
                'people' => $step->people,
                'gate' => $step->kind->isGate(),
                'absolute' => $step->kind->isAbsolute(),
                'does' => $step->does,
                'lists' => array_map(fn(array $l): string => $l['words'], $step->lists),
                'cautions' => array_map(fn(Caution $c): string => $c->title(), $step->cautions),
                'openings' => $opens
                    ? array_map(fn(Ask $a): array => ['id' => $a->id, 'words' => $a->words], $step->asks)
                    : [],
                'points' => array_values(
                    array_map(
                        fn(Ask $a): string => $a->words,
                        array_filter($step->asks, fn(Ask $a): bool => $a->kind === 'number'),
                    ),
                ),
                'readings' => array_map(
                    fn(Ask $a): array => array_intersect_key(
                        $a->toArray(),
                        array_flip(['id', 'kind', 'words', 'required', 'unit', 'low', 'high', 'expected']),
                    ),
                    $opens ? [] : $step->asks,
                ),
            ];
        }

        return [
            'plan' => $this->plan,
            'title' => $this->title,
            'steps' => $steps,
            'links' => array_map(
                fn(Link $l): array => ['before' => $l->before, 'after' => $l->after, 'why' => $l->why],
                $this->work->links,
            ),
        ];
    }

    /** @return array<string, mixed> what does not change while the revision stays */
    public function toArray(Times $times): array
    {
        return [
            'plan' => $this->plan,
            'title' => $this->title,
            'stages' => $this->stages,
            'steps' => array_map(fn(Step $s): array => $s->toArray($times), array_values($this->work->steps)),
            'links' => array_map(
                fn(Link $l): array => ['before' => $l->before, 'after' => $l->after, 'why' => $l->why],
                $this->work->links,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function stage(Compiled $stage): array
    {
        $sheets = [];
        foreach ($stage->sheets as $id => $sheet) {
            $sheets[] = [
                'component' => (string) $id,
                'label' => $stage->site->label((string) $id),
                'settings' => array_map(fn(Setting $s): array => $s->toArray(), $sheet),
            ];
        }

        return [
            'id' => $stage->site->stage,
            'title' => $stage->site->title,
            'doubts' => $stage->doubts,
            'materials' => $stage->steps === [] ? [] : $stage->materials->lines(),
            'caps' => array_map(
                fn(string|int $id, array $cap): array => [
                    'component' => (string) $id,
                    'label' => $stage->site->label((string) $id),
                ] + $cap,
                array_keys($stage->caps),
                $stage->caps,
            ),
            'sheets' => $sheets,
            'labels' => array_map(fn(Label $l): array => $l->toArray(), $stage->labels),
        ];
    }

    /**
     * How it stands by the logbook.
     *
     * @param string $today YYYY-MM-DD in the workshop's zone
     * @return array<string, mixed>
     */
    public function stands(Logbook $log, string $today): array
    {
        return [
            'states' => (object) array_map(fn(StepState $s): array => $s->toArray(), $log->steps),
            'open' => array_map(fn(OpenItem $o): array => $o->toArray($today), [...$log->open, ...$this->capped]),
            'arrivals' => (object) $log->arrivals,
            'replaced' => array_map(strval(...), array_keys($log->replaced)),
            'pins' => (object) $log->pins,
            'wires' => $log->wires,
            'differences' => $log->differences,
            'photos' => $log->photos,
        ];
    }

    /**
     * @param list<Compiled> $stages
     * @return list<OpenItem>
     */
    private static function capped(array $stages): array
    {
        $open = [];
        $last = $stages[count($stages) - 1] ?? null;
        foreach ($stages as $stage) {
            foreach ($stage->caps as $id => $cap) {
                $later = $stage !== $last && !isset($last->caps[$id]);
                $open[] = new OpenItem(
                    "cap_{$stage->site->stage}_{$id}",
                    'temporary',
                    $cap['words'],
                    false,
                    'the workshop',
                    event: $later ? 'a later stage' : 'a larger part is fitted',
                    capW: $cap['capW'],
                );
            }
        }

        return $open;
    }
}
