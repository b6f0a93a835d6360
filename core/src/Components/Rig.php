<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Problem;
use stdClass;

/** A rig: its components by id, as found or as a stage of a plan leaves it. */
final readonly class Rig
{
    private const MOST_OF_A_KIND = 16;

    private const SOURCES = [
        'shore_supply' => true,
        'generator' => true,
        'inverter' => true,
        'inverter_charger' => true,
        'converter' => true,
        'surge_unit' => true,
        'transfer_switch' => true,
        'contactor' => true,
    ];

    /** @param array<string, Component> $components */
    private function __construct(public array $components, public stdClass $source) {}

    /** @param stdClass $components components by id, already checked */
    public static function from(stdClass $components): self
    {
        $made = [];
        foreach (get_object_vars($components) as $id => $values) {
            if ($values instanceof stdClass) {
                $made[(string) $id] = Catalogue::make((string) $id, $values);
            }
        }

        // By id, so that the answers do not depend on the order in which things were entered.
        ksort($made);

        return new self($made, $components);
    }

    /** The component of an id, if there is one. */
    public function find(string $id): ?Component
    {
        return $this->components[$id] ?? null;
    }

    /**
     * @template T of Component
     * @param class-string<T> $class
     * @return array<string, T>
     */
    public function all(string $class): array
    {
        return array_filter($this->components, fn(Component $c): bool => $c instanceof $class);
    }

    /** What a component is called; its id where there is none. */
    public function label(string $id): string
    {
        return isset($this->components[$id]) ? $this->components[$id]->label() : $id;
    }

    /**
     * More sources of a kind than any rig has: each brings states of its own, and they multiply.
     *
     * @return list<Problem>
     */
    public static function tooMany(stdClass $components, string $at): array
    {
        $types = array_count_values(
            array_filter(
                array_map(
                    fn(mixed $c): mixed => $c instanceof stdClass ? $c->type ?? null : null,
                    get_object_vars($components),
                ),
                is_string(...),
            ),
        );
        $problems = [];
        foreach (array_intersect_key($types, self::SOURCES) as $type => $count) {
            if ($count > self::MOST_OF_A_KIND) {
                $problems[] = new Problem(
                    $at,
                    sprintf('holds %d of "%s"; up to %d can be reckoned with.', $count, $type, self::MOST_OF_A_KIND),
                );
            }
        }

        return $problems;
    }

    /** @return list<Problem> what names something that is not there; pointers begin with that of the components */
    public function problems(string $at): array
    {
        $problems = self::tooMany($this->source, $at);
        foreach ($this->components as $id => $component) {
            foreach ($component->referenceProblems($this->components) as [$pointer, $message]) {
                // "@id/…" speaks about another component.
                $problems[] =
                    $pointer[0] === '@'
                        ? new Problem($at . '/' . substr($pointer, 1), $message)
                        : new Problem("{$at}/{$id}{$pointer}", $message);
            }
        }

        return $problems;
    }
}
