<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** How one source is kept away from the work: what is opened, where, how it is kept so. */
final readonly class Opening
{
    /**
     * The order in which sources are opened: what feeds a bus goes before the battery that holds it, and nothing is
     * parted under load.
     */
    private const ORDER = ['run', 'engine', 'unhitch', 'cover', 'plug', 'breaker', 'disconnect', 'fuse', 'lead'];

    /**
     * @param string $how run, engine, unhitch, cover, plug, breaker, disconnect, fuse or lead
     * @param array<string, string> $controls device => position it is left in
     * @param list<string> $elements conductors that are lifted or taken out
     * @param array<string, string> $before what hands do first, in order: id => words
     * @param array<string, string> $then what they do right after it: id => words
     */
    public function __construct(
        public string $id,
        public string $source,
        public string $how,
        public string $component,
        public string $words,
        public string $locked,
        public array $controls = [],
        public array $elements = [],
        public array $before = [],
        public array $then = [],
    ) {}

    /** The same, for the sources of another that is opened in the same place. */
    public function alsoOf(?self $other): self
    {
        return $other === null
            ? $this
            : new self(
                ...[
                    'source' => implode(', ', array_unique([...explode(', ', $other->source), $this->source])),
                    'before' => $other->before + $this->before,
                ] + get_object_vars($this),
            );
    }

    /** Where it stands among the openings of a step. */
    public function place(): int
    {
        return (int) array_search($this->how, self::ORDER, true);
    }

    /** The control that it opens; '' where it is none. */
    public function opens(): string
    {
        return (string) (array_key_first($this->controls) ?? '');
    }

    /** @return array<string, string> what is ticked for it, in order: id => words */
    public function ticks(): array
    {
        return $this->before + [$this->id => $this->words] + $this->then;
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'source' => $this->source,
            'how' => $this->how,
            'component' => $this->component,
            'words' => $this->words,
            'locked' => $this->locked,
        ];
    }
}
