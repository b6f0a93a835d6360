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
    /** Before the structure of a proof that tells what is found, and not what is prevented. */
    private const FOUND = 'found ';

    private ?AsFound $asFound = null;

    /** @var WeakMap<stdClass, string> component => canonical text */
    private WeakMap $texts;

    /** @var WeakMap<stdClass, string> component => canonical text of its structure */
    private WeakMap $structures;

    /** @var array<string, ?Stage> hash => what to compute */
    private array $todo = [];

    /** @var array<string, string> hash => hash of the rig alone, whatever is needed of it */
    private array $rigs = [];

    private readonly string $found;

    private readonly string $needed;

    /** @var ?array{string, Examination, ?Judge} the view that was looked at last: its hash, and what was found in it */
    private ?array $last = null;

    /** @var list<array<string, mixed>> */
    public readonly array $views;

    /**
     * @param ?Proofs $proofs what was found in rigs of the same structure; without it every state is searched anew
     * @param ?self $before the job that this one was edited from: what did not change is looked at there
     */
    public function __construct(
        private readonly stdClass $document,
        private readonly ?Proofs $proofs = null,
        private readonly ?self $before = null,
    ) {
        /** @var WeakMap<stdClass, string> $texts */
        $texts = new WeakMap();
        /** @var WeakMap<stdClass, string> $structures */
        $structures = new WeakMap();
        $this->texts = $before->texts ?? $texts;
        $this->structures = $before->structures ?? $structures;
        $this->needed = $needs = $this->needs();
        $this->found = $found = $this->text($document->asFound->components);
        $views = [];
        $hash = self::hash($found, $needs);
        $views[] = ['id' => 'as_found', 'plan' => null, 'stage' => null, 'title' => 'As found', 'hash' => $hash];
        $this->todo[$hash] = null;
        $this->rigs[$hash] = self::hash($found);
        foreach (Planned::inOrder($document->plans) as $planId => $plan) {
            $stages = Planned::stages($document, (string) $planId);
            foreach ($stages as $i => $stage) {
                $of = [$this->text($stage->components), self::canonical((object) $stage->unapplied)];
                $hash = self::hash($found, $needs, ...$of);
                $view = [
                    'id' => "{$planId}/{$stage->id}",
                    'plan' => (string) $planId,
                    'stage' => $stage->id,
                    'hash' => $hash,
                    'title' => count($stages) === 1 ? $plan->title : "{$plan->title}: {$stage->title}",
                    'last' => $i === count($stages) - 1,
                ];
                $views[] = $view;
                $this->todo[$hash] = $stage;
                $this->rigs[$hash] = self::hash($found, ...$of);
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
        return RigAnswer::of(...$this->examined($hash));
    }

    /**
     * @return ?array{Examination, Judge} the rig of a view, and what every rule finds in it; null when there is no such
     *      view
     */
    public function judged(string $viewId): ?array
    {
        $hash = array_column($this->views, 'hash', 'id')[$viewId] ?? null;

        return $hash === null ? null : $this->examined($hash);
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
        $rig = $this->examination($hash);
        $structure = $this->proofs === null ? '' : $this->structure($this->todo[$hash]);
        $known = $this->proofs?->of($structure) ?? $this->proofs?->of(self::FOUND . $structure);
        if ($known === null) {
            $known = (new Search($rig, prevented: false))->proof;
            $this->proofs?->keep(self::FOUND . $structure, $known);
        }

        return [$rig, (new Judge($rig, $known))->findings];
    }

    /** @return array{Examination, Judge} */
    private function examined(string $hash): array
    {
        $rig = $this->examination($hash);
        $judge = $this->last[2] ?? null;
        if ($judge === null) {
            $structure = $this->proofs === null ? '' : $this->structure($this->todo[$hash]);
            $known = $this->proofs?->of($structure);
            $judge = new Judge($rig, $known);
            if ($known === null) {
                $this->proofs?->keep($structure, $judge->proof);
            }
            $this->last = [$hash, $rig, $judge];
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
                return $this->examination($view['hash']);
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
        $stage = $this->todo[array_column($this->views, 'hash', 'id')[$viewId]];
        /** @var stdClass $parts */
        $parts = $stage === null ? $this->document->asFound->components : $stage->components;
        $components = clone $parts;
        $change($components);

        return new Examination(Rig::from($components), Needs::from($this->document->needs));
    }

    private function asFound(): AsFound
    {
        return $this->asFound ??=
            $this->asFoundBefore() ??
            new AsFound(Rig::from($this->document->asFound->components), Needs::from($this->document->needs));
    }

    private function asFoundBefore(): ?AsFound
    {
        $before = $this->before !== null && $this->before->found === $this->found ? $this->before->asFound() : null;

        return $before === null || $this->before?->needed === $this->needed
            ? $before
            : $before->with(Needs::from($this->document->needs));
    }

    private function examination(string $hash): Examination
    {
        if ($this->last === null || $this->last[0] !== $hash) {
            $this->last = [$hash, $this->looked($this->todo[$hash], $hash), null];
        }

        return $this->last[1];
    }

    private function looked(?Stage $stage, string $hash): Examination
    {
        if ($stage === null) {
            return $this->asFound()->examined();
        }
        $before = $this->before?->last;

        return new Examination(
            Rig::from($stage->components),
            Needs::from($this->document->needs),
            $this->asFound(),
            $stage->unapplied,
            same: $before !== null && $this->before?->rigs[$before[0]] === $this->rigs[$hash] ? $before[1] : null,
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
