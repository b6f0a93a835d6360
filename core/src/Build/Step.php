<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** One thing that is done, with all that whoever does it needs to know, and what is recorded. */
final readonly class Step
{
    /**
     * @param string $id stable while the plan asks for the same work: stage.kind.part
     * @param list<string> $components parts it is done at
     * @param list<string> $cables cables and circuits it is about
     * @param list<string> $does what is done, line by line
     * @param list<array{words: string, why: string, key?: string}> $lists what is gone through one by one: sources,
     *     terminals, cables; the key is that of a material, for its date of arrival
     * @param list<string> $tools
     * @param list<string> $takes parts and material
     * @param list<Ask> $asks
     * @param list<Caution> $cautions
     * @param list<Label> $labels that go on here
     * @param float $pieces what its time is counted by
     * @param bool $inOrder each of what is asked waits for the one before
     * @param float $unattendedMin it then goes on by itself for so long
     */
    public function __construct(
        public string $id,
        public string $stage,
        public Kind $kind,
        public string $title,
        public string $why = '',
        public array $components = [],
        public array $cables = [],
        public string $where = '',
        public array $does = [],
        public array $lists = [],
        public array $tools = [],
        public array $takes = [],
        public array $asks = [],
        public array $cautions = [],
        public array $labels = [],
        public float $pieces = 1.0,
        public float $unattendedMin = 0.0,
        public int $people = 1,
        public Competence $who = Competence::Technician,
        public bool $daylight = false,
        public int $rank = 0,
        public bool $inOrder = false,
    ) {}

    /** @param list<Label> $labels that go on at it */
    public function labelled(array $labels): self
    {
        return new self(...['labels' => $labels] + get_object_vars($this));
    }

    /** What it says, in short: when that changes, what was done may have to be done again. */
    public function mark(): string
    {
        $says = [
            $this->title,
            $this->does,
            array_map(fn(array $l): array => ['words' => $l['words'], 'why' => $l['why']], $this->lists),
            array_map(fn(Ask $a): array => [$a->id, $a->kind, $a->unit, $a->low, $a->high], $this->asks),
        ];

        return substr(hash('sha256', json_encode($says, JSON_THROW_ON_ERROR)), 0, 12);
    }

    /** @return array<string, mixed> */
    public function toArray(Times $times): array
    {
        return [
            'id' => $this->id,
            'mark' => $this->mark(),
            'stage' => $this->stage,
            'kind' => $this->kind->value,
            'gate' => $this->kind->isGate(),
            'absolute' => $this->kind->isAbsolute(),
            'inOrder' => $this->inOrder,
            'later' => $this->kind->isLater(),
            'title' => $this->title,
            'why' => $this->why,
            'components' => $this->components,
            'cables' => $this->cables,
            'where' => $this->where,
            'does' => $this->does,
            'lists' => array_map(fn(array $l): array => $l + ['key' => ''], $this->lists),
            'tools' => $this->tools,
            'takes' => $this->takes,
            'asks' => array_map(fn(Ask $a): array => $a->toArray(), $this->asks),
            'cautions' => array_map(fn(Caution $c): array => $c->toArray(), $this->cautions),
            'labels' => array_map(fn(Label $l): array => $l->toArray(), $this->labels),
            'minutes' => $times->of($this),
            'unattendedMin' => $this->unattendedMin,
            'people' => $this->people,
            'who' => $this->who->value,
            'daylight' => $this->daylight,
        ];
    }
}
