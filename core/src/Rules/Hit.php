<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\States\NamedState;

/** What a rule saw in one situation or on the rig. The key names its cause, never its wording. */
final readonly class Hit
{
    /**
     * @param list<string> $components to highlight, the one it concerns first
     * @param list<Figure> $figures
     * @param list<Remedy> $remedies
     * @param list<array{string, string}> $paths terminals to light a path between, in order
     */
    public function __construct(
        public string $key,
        public string $text,
        public array $components,
        public array $figures = [],
        public array $remedies = [],
        public array $paths = [],
        public ?Severity $severity = null,
        public ?string $title = null,
        public ?string $state = null,
        /** rule|key of the hit this one follows from: shown beneath it */
        public ?string $because = null,
        /** how it comes about, where the rule itself knows it */
        public ?Ways $ways = null,
        /** the state that proves it, where that is none of the named ones */
        public ?NamedState $proof = null,
    ) {}
}
