<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** How one source is kept away from the work: what is opened, where, how it is kept so. */
final readonly class Opening
{
    /**
     * @param string $how plug, run, breaker, disconnect, fuse, lead, cover or engine
     * @param array<string, string> $controls device => position it is left in
     * @param list<string> $elements conductors that are lifted or taken out
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
    ) {}

    /** The same, for the sources of another that is opened in the same place. */
    public function alsoOf(?self $other): self
    {
        return $other === null
            ? $this
            : new self(...['source' => "{$other->source}, {$this->source}"] + get_object_vars($this));
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
