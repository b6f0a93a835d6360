<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Job\Id;
use Hollin\Core\Job\Tree;
use Hollin\Core\Job\Values;
use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use stdClass;

/** A copy of a document on which an intent is carried out, and what handlers read of the intent. */
final readonly class Editing
{
    public stdClass $document;

    public function __construct(stdClass $document, public Values $intent)
    {
        $this->document = Tree::copy($document);
    }

    /** A text of the intent; empty where there is none. */
    public function text(string $name): string
    {
        return $this->intent->text($name);
    }

    /** @throws Refused when it names no component */
    public function component(): string
    {
        $id = $this->intent->raw()->component ?? null;

        return is_string($id) ? $id : throw Refused::because('/intent/component', 'must be the id of a component.');
    }

    /** @throws Refused when it brings no component */
    public function fitted(): stdClass
    {
        $component = $this->intent->raw()->component ?? null;

        return $component instanceof stdClass
            ? $component
            : throw Refused::because('/intent/component', 'must be a component with its type.');
    }

    /** @throws Refused when the id it gives is not allowed or taken */
    public function freshId(stdClass $among): string
    {
        $id = $this->text('id');
        $this->checkId($id, $among, '/intent/id');

        return $id;
    }

    /** @throws Refused when an id is not allowed or taken */
    public function checkId(string $id, stdClass $among, string $pointer): void
    {
        if (!Id::valid($id)) {
            throw Refused::because(
                $pointer,
                sprintf(
                    '"%s" is not an id: lower case letters, digits and _, starting with a letter.',
                    mb_substr($id, 0, 60),
                ),
            );
        }
        if (isset($among->{$id})) {
            throw Refused::because($pointer, sprintf('"%s" is already taken.', $id));
        }
    }

    /** @throws Refused when there is no such plan */
    public function plan(): stdClass
    {
        $plan = $this->document->plans->{$this->text('plan')} ?? null;

        return $plan instanceof stdClass
            ? $plan
            : throw Refused::because('/intent/plan', sprintf('There is no plan "%s".', $this->text('plan')));
    }

    /** @throws Refused when nothing surveyed has that id */
    public function surveyed(string $id): stdClass
    {
        $component = $this->document->asFound->components->{$id} ?? null;

        return $component instanceof stdClass
            ? $component
            : throw Refused::because('/intent/component', sprintf('There is no component "%s" in the survey.', $id));
    }

    /** @throws Refused when it names no place inside a component */
    public function path(): string
    {
        $path = $this->text('path');

        return self::isPath($path)
            ? $path
            : throw Refused::because('/intent/path', 'must be a place like /breakerA or /cable/lengthM.');
    }

    /**
     * The places of a component that the intent sets: its own, and `more` that belong to the same change.
     *
     * @return non-empty-array<string, mixed> path => value
     * @throws Refused when one is no place inside a component
     */
    public function places(): array
    {
        $more = $this->intent->raw()->more ?? [];
        if (!is_array($more) || count($more) > 60) {
            throw Refused::because('/intent/more', 'must be a list of at most 60 places, each a path and a value.');
        }
        $places = [$this->path() => $this->intent->raw()->value];
        foreach ($more as $i => $place) {
            $path = $place instanceof stdClass ? $place->path ?? null : null;
            if (!is_string($path) || !self::isPath($path) || !property_exists($place, 'value')) {
                throw Refused::because("/intent/more/{$i}", 'must be a path like /breakerA and a value.');
            }
            $places[$path] = $place->value;
        }

        return $places;
    }

    private static function isPath(string $path): bool
    {
        return preg_match('#^(/[A-Za-z0-9_]+)+$#D', $path) === 1 && strlen($path) <= 120;
    }

    /** The document as it is now, with what it is called in the history. */
    public function done(string $words, string ...$notices): Edit
    {
        return new Edit($this->document, $words, array_values($notices));
    }

    /** Writes a change by hand: again replaces, back to as found removes. */
    public function write(stdClass $plan, stdClass $change): void
    {
        $id = self::changeId($change);
        $earlier = $plan->changes->{$id} ?? null;
        unset($plan->changes->{$id});
        if (isset($change->path)) {
            $without = Planned::stages($this->document, $this->text('plan'));
            $at = $without[count($without) - 1]->components->{$change->target} ?? null;
            foreach (explode('/', substr($change->path, 1)) as $step) {
                $at = $at instanceof stdClass ? $at->{$step} ?? null : null;
            }
            if (Tree::same($at, $change->value)) {
                return;
            }
        }
        // What the arrangement wrote is kept beneath, so that one can go back to it.
        if ($earlier instanceof stdClass && isset($earlier->value)) {
            $was = $earlier->by === 'hand' ? $earlier->was ?? null : self::written($earlier);
            if ($was !== null) {
                $change->was = $was;
            }
        }
        $change->by = 'hand';
        $change->stage = $earlier->stage ?? (string) array_key_last(Planned::inOrder($plan->stages));
        $change->order =
            $earlier->order ??
            1 +
                (int) max([
                    0.0,
                    ...array_map(
                        fn(stdClass $c): float => (float) ($c->order ?? 0),
                        array_values(get_object_vars($plan->changes)),
                    ),
                ]);
        $plan->changes->{$id} = $change;
    }

    /** A change in a few words for the history. */
    public function describe(stdClass $change): string
    {
        $component = $this->document->asFound->components->{$change->target} ?? ($change->value ?? null);

        return $change->op .
            ' ' .
            ($component->label ?? $change->target) .
            (isset($change->path) ? ' ' . Catalogue::placeWords($component->type ?? '', $change->path) : '');
    }

    /** What an arrangement's change wrote and why, as it is kept beneath one by hand. */
    public static function written(stdClass $change): stdClass
    {
        return (object) array_intersect_key(get_object_vars($change), ['value' => true, 'why' => true]);
    }

    /** The same change again gets the same id, so that it replaces the earlier one. */
    public static function changeId(stdClass $change): string
    {
        $id = match ($change->op) {
            Op::Fit->value => "fit_{$change->target}",
            Op::Remove->value => "rm_{$change->target}",
            default => "ch_{$change->target}" . strtolower(str_replace('/', '_', $change->path)),
        };

        return strlen($id) <= 48 ? $id : substr($id, 0, 39) . '_' . substr(hash('sha256', $id), 0, 8);
    }

    /**
     * Puts the value of the intent at its path below a part of the document, or takes out what is there.
     *
     * @param string $name of that part, as it is said
     * @throws Refused when the path leads into a value
     */
    public function put(stdClass $below, string $name): void
    {
        $steps = explode('/', trim($this->path(), '/'));
        $last = array_pop($steps);
        $at = $below;
        foreach ($steps as $step) {
            $at->{$step} ??= new stdClass();
            if (!($at->{$step} instanceof stdClass)) {
                throw Refused::because('/intent/path', "does not lead into the {$name}.");
            }
            $at = $at->{$step};
        }
        $value = $this->intent->raw()->value ?? null;
        if ($value === null) {
            unset($at->{$last});
        } else {
            $at->{$last} = $value;
        }
    }
}
