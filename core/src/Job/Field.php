<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Hollin\Core\Reference\ConductorSize;
use stdClass;

/**
 * One property of a component, declared once: from it come the JSON Schema, the checks on
 * what is entered, the survey form and the documentation of the job file.
 */
final readonly class Field
{
    /**
     * @param array<string, string> $choices value => words
     * @param array<string, Field> $fields of a group, or of each entry of a map
     * @param list<string> $of types of component that fit; all when empty
     * @param float|int|string|bool|null $usual what is taken when it is left empty
     * @param array<string, list<string>> $only other choice => with which of its values this is asked at all
     */
    private function __construct(
        public string $kind,
        public string $label,
        public string $unit = '',
        public float $min = 0,
        public float $max = 0,
        public array $choices = [],
        public array $fields = [],
        public bool $surveyed = false,
        public bool $required = true,
        public string $note = '',
        public array $of = [],
        public float|int|string|bool|null $usual = null,
        public ?Plausible $plausible = null,
        public array $only = [],
    ) {}

    /** A text of at most so many characters. */
    public static function text(string $label, int $longest = 120): self
    {
        return new self('text', $label, max: $longest);
    }

    /** A quantity in the unit its property name carries. */
    public static function number(string $label, string $unit, float $min, float $max): self
    {
        return new self('number', $label, $unit, $min, $max);
    }

    /** A whole number between two bounds. */
    public static function integer(string $label, int $min, int $max): self
    {
        return new self('integer', $label, '', $min, $max);
    }

    /** @param array<string, string> $choices */
    public static function choice(string $label, array $choices): self
    {
        return new self('choice', $label, choices: $choices);
    }

    /** Yes or no. */
    public static function flag(string $label): self
    {
        return new self('flag', $label);
    }

    /** A conductor size by its designation. */
    public static function size(string $label): self
    {
        return new self('size', $label);
    }

    /** The id of another component, of one of these types where any are named. */
    public static function ref(string $label, string ...$of): self
    {
        return new self('ref', $label, of: array_values($of));
    }

    /** A terminal of another component, written `component.terminal`. */
    public static function terminal(string $label): self
    {
        return new self('terminal', $label);
    }

    /** @param array<string, Field> $fields */
    public static function group(string $label, array $fields): self
    {
        return new self('group', $label, fields: $fields);
    }

    /** @param array<string, Field> $fields */
    public static function map(string $label, array $fields): self
    {
        return new self('map', $label, fields: $fields);
    }

    /** A cable: its size, its length one way, and what it is sheathed in. */
    public static function cable(string $label): self
    {
        return self::group($label, [
            'size' => self::size('Size')->plausibly(
                Plausible::oneOf('a jacket that nobody has read is often one size off'),
            ),
            'lengthM' => self::number('Length, one way', 'm', 0.01, 60)->plausibly(
                Plausible::times(0.5, 2, 'a route through walls and floor is seldom the one that is guessed'),
            ),
            'sheath' => self::choice('Sheath', [
                'nm_b' => 'NM-B sheathed cable',
                'cord' => 'flexible cord',
                'single' => 'single conductors',
                'fine' => 'fine-strand battery cable',
                'sheathed' => 'in sheath, loom or conduit the whole way',
            ])->optional(),
            'parallel' => self::integer('Conductors in parallel', 1, 2)->optional(),
            'insulationC' => self::integer('Insulation, °C', 60, 200)->optional(),
            'ambientC' => self::number('Where it runs, ambient', '°C', -20, 85)->optional(),
            'bundled' => self::integer('Conductors that carry current bundled together', 1, 60)->optional(),
        ]);
    }

    /** The same with how it is known, from whom and since when. */
    public function surveyed(): self
    {
        return $this->with(surveyed: true);
    }

    /** The same, and it may be left out. */
    public function optional(): self
    {
        return $this->with(required: false);
    }

    /** The same under another name. */
    public function labelled(string $label): self
    {
        return $this->with(label: $label);
    }

    /** The same with a remark beside the field. */
    public function note(string $note): self
    {
        return $this->with(note: $note);
    }

    /** The same with what is taken when it is left empty. */
    public function usual(float|int|string|bool $value): self
    {
        return $this->optional()->with(usual: $value);
    }

    /** The same, asked only where another choice stands at one of these. */
    public function only(string $choice, string ...$values): self
    {
        return $this->with(only: [$choice => array_values($values)]);
    }

    /** The same, surveyed, with what else it could be where it is only assumed. */
    public function plausibly(Plausible $plausible): self
    {
        return $this->with(surveyed: true, plausible: $plausible);
    }

    /** JSON Schema of the property. */
    public function schema(): stdClass
    {
        $plain = match ($this->kind) {
            'text' => ['type' => 'string', 'minLength' => 1, 'maxLength' => (int) $this->max],
            'number' => ['type' => 'number', 'minimum' => $this->min, 'maximum' => $this->max],
            'integer' => ['type' => 'integer', 'minimum' => (int) $this->min, 'maximum' => (int) $this->max],
            'choice' => ['enum' => array_map(strval(...), array_keys($this->choices))],
            'flag' => ['type' => 'boolean'],
            'size' => ['enum' => array_keys(ConductorSize::all())],
            'ref' => ['type' => 'string', 'pattern' => Id::PATTERN],
            'terminal' => ['type' => 'string', 'pattern' => '^([a-z][a-z0-9_]*\.[a-z0-9_.]+|frame|earth)$'],
            'group' => self::objectSchema($this->fields),
            'map' => [
                'type' => 'object',
                'propertyNames' => (object) ['pattern' => Id::PATTERN],
                'maxProperties' => 200,
                'additionalProperties' => (object) self::objectSchema($this->fields),
            ],
            default => [],
        };
        $plain['description'] = trim(
            $this->label .
                ($this->unit === '' ? '' : ", {$this->unit}") .
                ($this->note === '' ? '' : ". {$this->note}"),
        );
        if (!$this->surveyed) {
            return (object) $plain;
        }

        return (object) [
            'description' => $plain['description'],
            'if' => (object) ['type' => 'object'],
            'then' => (object) [
                'type' => 'object',
                'properties' => (object) [
                    'value' => (object) $plain,
                    'basis' => (object) ['enum' => array_map(fn(Basis $b): string => $b->value, Basis::cases())],
                    'by' => (object) ['type' => 'string', 'maxLength' => 80],
                    'at' => (object) ['type' => 'string', 'maxLength' => 40],
                    'entered' => (object) ['type' => 'string', 'maxLength' => 40],
                ],
                'required' => ['value', 'basis'],
                'additionalProperties' => false,
            ],
            'else' => (object) $plain,
        ];
    }

    /**
     * @param array<string, Field> $fields
     * @return array<string, mixed>
     */
    public static function objectSchema(array $fields): array
    {
        $properties = array_map(fn(Field $f): stdClass => $f->schema(), $fields);
        $required = array_keys(array_filter($fields, fn(Field $f): bool => $f->required));

        return ['type' => 'object', 'properties' => (object) $properties, 'additionalProperties' => false] +
            ($required === [] ? [] : ['required' => $required]);
    }

    /**
     * What a form needs to ask for the property.
     *
     * @return array<string, mixed>
     */
    public function form(): array
    {
        return [
            'kind' => $this->kind,
            'label' => $this->label,
            'unit' => $this->unit,
            'min' => $this->min,
            'max' => $this->max,
            'choices' => (object) $this->choices,
            'surveyed' => $this->surveyed,
            'required' => $this->required,
            'note' => $this->note,
            'of' => $this->of,
            'usual' => $this->usual,
            'only' => (object) $this->only,
            'fields' => (object) array_map(fn(Field $f): array => $f->form(), $this->fields),
        ];
    }

    private function with(mixed ...$other): self
    {
        return new self(...[...get_object_vars($this), ...$other]);
    }
}
