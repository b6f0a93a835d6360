<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use stdClass;

/** A small rig on which a rule must speak, or must keep silent: a factory layout and a few edits. */
final readonly class Sample
{
    /** @param list<array<string, mixed>> $edits intents on the layout; plan edits go to the plan "p" */
    private function __construct(public string $title, public bool $found, public array $edits) {}

    /** @param array<string, mixed> ...$edits */
    public static function found(string $title, array ...$edits): self
    {
        return new self($title, true, array_values($edits));
    }

    /** @param array<string, mixed> ...$edits */
    public static function silent(string $title, array ...$edits): self
    {
        return new self($title, false, array_values($edits));
    }

    /**
     * The usual retrofit to start from.
     *
     * @param array<string, mixed> $options
     * @return array<string, mixed>
     */
    public static function choose(string $recipe, array $options = []): array
    {
        return [
            'kind' => 'choose_arrangement',
            'plan' => 'p',
            'recipe' => $recipe,
            'options' => $options + ['converter' => 'removed', 'continuousW' => 3000],
        ];
    }

    /** @return array<string, mixed> */
    public static function move(string $circuit, string $panel, string $wires = 'both'): array
    {
        return ['kind' => 'move_circuit', 'plan' => 'p', 'circuit' => $circuit, 'panel' => $panel, 'wires' => $wires];
    }

    /**
     * A further lead in the plan, 4/0.
     *
     * @return array<string, mixed>
     */
    public static function lead(string $id, string $from, string $to, string $pole, float $lengthM = 0.15): array
    {
        return [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => $id,
            'component' => [
                'type' => 'lead',
                'label' => 'Lead ' . str_replace('_', ' ', $id),
                'from' => $from,
                'to' => $to,
                'pole' => $pole,
                'cable' => ['size' => 'awg:4/0', 'lengthM' => $lengthM, 'sheath' => 'fine'],
            ],
        ];
    }

    /** @return array<string, mixed> */
    public static function set(string $component, string $path, mixed $value): array
    {
        return ['kind' => 'plan_set', 'plan' => 'p', 'component' => $component, 'path' => $path, 'value' => $value];
    }

    /**
     * @param array<string, mixed> $component
     * @return array<string, mixed>
     */
    public static function add(string $id, array $component): array
    {
        return ['kind' => 'survey_add', 'id' => $id, 'component' => $component];
    }

    /**
     * A stand-alone inverter arrangement with a bonded output.
     *
     * @param array<string, mixed> $options
     * @return array<string, mixed>
     */
    public static function alone(string $recipe, array $options = []): array
    {
        return self::choose(
            $recipe,
            $options + ['converter' => 'left', 'continuousW' => 2000, 'outputNeutral' => 'bonded'],
        );
    }

    /** @return array<string, mixed> */
    public static function survey(string $component, string $path, mixed $value): array
    {
        return ['kind' => 'survey_set', 'component' => $component, 'path' => $path, 'value' => $value];
    }

    /** The job the sample is about; its plan is "p". */
    public function document(): stdClass
    {
        $document = JobFile::blank($this->title);
        $start = [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_in_panel'],
            ['kind' => 'add_plan', 'id' => 'p', 'title' => 'Plan'],
        ];
        foreach ([...$start, ...$this->edits] as $edit) {
            $document = Intents::apply($document, json_decode((string) json_encode($edit), false), wrongly: true)
                ->document;
        }

        return $document;
    }
}
