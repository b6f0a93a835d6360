<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Plan\Stage;
use Hollin\Core\Rules\AsFound;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Needs;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Search;
use stdClass;
use WeakMap;

/**
 * The answers of a whole job: as found, and the end of every stage of every plan, each under a
 * hash of what it was computed from, so that what did not change is never computed again.
 */
final class JobAnswers
{
    private ?AsFound $asFound = null;

    /** @var WeakMap<stdClass, string> component => canonical text */
    private WeakMap $texts;

    /** @var WeakMap<stdClass, string> component => canonical text of its structure */
    private WeakMap $structures;

    /** @var array<string, array{view: array<string, mixed>, stage: ?Stage}> hash => what to compute */
    private array $todo = [];

    /** @var list<array<string, mixed>> */
    public readonly array $views;

    /** @param ?Proofs $proofs what was found in rigs of the same structure; without it every state is searched anew */
    public function __construct(private readonly stdClass $document, private readonly ?Proofs $proofs = null)
    {
        $this->texts = new WeakMap();
        $this->structures = new WeakMap();
        $needs = $this->needs();
        $found = $this->text($document->asFound->components);
        $views = [];
        $hash = self::hash($found, $needs);
        $views[] = ['id' => 'as_found', 'plan' => null, 'stage' => null, 'title' => 'As found', 'hash' => $hash];
        $this->todo[$hash] = ['view' => $views[0], 'stage' => null];
        foreach (Planned::inOrder($document->plans) as $planId => $plan) {
            $stages = Planned::stages($document, (string) $planId);
            foreach ($stages as $i => $stage) {
                $hash = self::hash(
                    $found,
                    $needs,
                    $this->text($stage->components),
                    self::canonical((object) $stage->unapplied),
                );
                $view = [
                    'id' => "{$planId}/{$stage->id}",
                    'plan' => (string) $planId,
                    'stage' => $stage->id,
                    'hash' => $hash,
                    'title' => count($stages) === 1 ? $plan->title : "{$plan->title}: {$stage->title}",
                    'last' => $i === count($stages) - 1,
                ];
                $views[] = $view;
                $this->todo[$hash] = ['view' => $view, 'stage' => $stage];
            }
        }
        $this->views = $views;
    }

    /** @return list<string> the views at the end of each plan */
    public function ends(): array
    {
        return array_column(array_filter($this->views, fn(array $v): bool => ($v['last'] ?? false) === true), 'id');
    }

    /** @return list<string> */
    public function hashes(): array
    {
        return array_keys($this->todo);
    }

    /**
     * The answer under a hash.
     *
     * @return array<string, mixed>
     */
    public function answer(string $hash): array
    {
        return RigAnswer::of(...$this->examined($this->todo[$hash]['stage']));
    }

    /**
     * @return ?array{Examination, Judge} the rig of a view, and what every rule finds in it; null when there is no such
     *      view
     */
    public function judged(string $viewId): ?array
    {
        $hash = array_column($this->views, 'hash', 'id')[$viewId] ?? null;

        return $hash === null ? null : $this->examined($this->todo[$hash]['stage']);
    }

    /**
     * The findings of a view without what is prevented, for a trial: less than half of the work.
     *
     * @return ?array{Examination, list<Finding>} null when there is no such view
     */
    public function tried(string $viewId): ?array
    {
        $hash = array_column($this->views, 'hash', 'id')[$viewId] ?? null;
        if ($hash === null) {
            return null;
        }
        $stage = $this->todo[$hash]['stage'];
        $rig = $stage === null ? $this->asFound()->examined() : $this->examination($stage);
        $known = $this->proofs?->of($this->structure($stage)) ?? (new Search($rig, prevented: false))->proof;

        return [$rig, (new Judge($rig, $known))->findings];
    }

    /** @return array{Examination, Judge} */
    private function examined(?Stage $stage): array
    {
        $rig = $stage === null ? $this->asFound()->examined() : $this->examination($stage);
        $structure = $this->proofs === null ? '' : $this->structure($stage);
        $known = $this->proofs?->of($structure);
        $judge = new Judge($rig, $known);
        if ($known === null) {
            $this->proofs?->keep($structure, $judge->proof);
        }

        return [$rig, $judge];
    }

    /**
     * Hash of all that decides which states are hazardous. Lengths and sizes of cable do not, nor what is needed, how
     * well a value is known or what a thing is called: measuring along a rig leaves its structure as it is.
     */
    private function structure(?Stage $stage): string
    {
        return self::hash(
            $this->structureOf($this->document->asFound->components),
            $stage === null ? '' : $this->structureOf($stage->components),
            $stage === null ? '' : self::canonical((object) $stage->unapplied),
        );
    }

    /** Text of the needs: what runs by the hour, and where, and what is bought, changes no answer of a rig. */
    private function needs(): string
    {
        $asked = ['loads' => true, 'trip' => true, 'measured' => true, 'unit' => true, 'chosen' => true];

        return self::canonical((object) array_diff_key(get_object_vars($this->document->needs), $asked));
    }

    /** Text of components that does not depend on their order; those shared between stages are written once. */
    private function text(stdClass $components): string
    {
        $texts = array_map(
            fn(stdClass $c): string => ($this->texts[$c] ??= self::canonical($c)),
            get_object_vars($components),
        );
        ksort($texts);

        return serialize($texts);
    }

    private function structureOf(stdClass $components): string
    {
        $texts = array_map(
            fn(stdClass $c): string => ($this->structures[$c] ??= self::canonical(self::structural($c))),
            get_object_vars($components),
        );
        ksort($texts);

        return serialize($texts);
    }

    /** A component without its names and the lengths and sizes of its cables, its values without their provenance. */
    private static function structural(stdClass $at): stdClass
    {
        $kept = new stdClass();
        foreach (get_object_vars($at) as $name => $value) {
            if (in_array($name, ['label', 'note', 'stud', 'torqueNm'], true)) {
                continue;
            }
            if (in_array($name, ['cable', 'cord'], true) && $value instanceof stdClass) {
                $value = clone $value;
                unset($value->lengthM, $value->size);
            }
            if ($value instanceof stdClass && property_exists($value, 'value') && property_exists($value, 'basis')) {
                $value = $value->value;
            }
            $kept->{$name} = $value instanceof stdClass ? self::structural($value) : $value;
        }

        return $kept;
    }

    /**
     * The rig of a view, compiled and settled; null when there is no such view.
     */
    public function rig(string $viewId): ?Examination
    {
        foreach ($this->views as $view) {
            if ($view['id'] === $viewId) {
                $stage = $this->todo[$view['hash']]['stage'];

                return $stage === null ? $this->asFound()->examined() : $this->examination($stage);
            }
        }

        return null;
    }

    /**
     * The rig of a view that somebody asks for.
     *
     * @throws Refused when there is no such view
     */
    public function seen(string $viewId): Examination
    {
        return $this->rig($viewId) ??
            throw Refused::because('/view', 'is not a view of this job: as_found, or plan/stage.');
    }

    /**
     * The rig of a view with some of its parts changed; nothing is stored.
     *
     * @param callable(stdClass): void $change of its components
     * @throws Refused when there is no such view
     */
    public function changed(string $viewId, callable $change): Examination
    {
        $this->seen($viewId);
        $hash = array_column($this->views, 'hash', 'id')[$viewId];
        $stage = $this->todo[$hash]['stage'];
        /** @var stdClass $parts */
        $parts = $stage === null ? $this->document->asFound->components : $stage->components;
        $components = clone $parts;
        $change($components);

        return new Examination(Rig::from($components), Needs::from($this->document->needs));
    }

    private function asFound(): AsFound
    {
        return $this->asFound ??= new AsFound(
            Rig::from($this->document->asFound->components),
            Needs::from($this->document->needs),
        );
    }

    private function examination(Stage $stage): Examination
    {
        return new Examination(
            Rig::from($stage->components),
            Needs::from($this->document->needs),
            $this->asFound(),
            $stage->unapplied,
        );
    }

    private static function hash(string ...$parts): string
    {
        return substr(hash('sha256', RuleBook::VERSION . "\0" . implode("\0", $parts)), 0, 24);
    }

    /** Text of an object that does not depend on the order of its properties. */
    private static function canonical(stdClass $object): string
    {
        $sorted = function (stdClass $at) use (&$sorted): array {
            $properties = get_object_vars($at);
            ksort($properties);

            return array_map(fn(mixed $v): mixed => $v instanceof stdClass ? $sorted($v) : $v, $properties);
        };

        return serialize($sorted($object));
    }
}
