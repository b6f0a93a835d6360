<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** What a rule says about itself: the rule reference is made from this, and the tests run the samples. */
final readonly class Definition
{
    /**
     * @param non-empty-list<Sample> $samples
     * @param ?Severity $passing how grave it is for the seconds in which a rig comes to rest, where that is another
     *     matter
     */
    public function __construct(
        public string $id,
        public Severity $severity,
        public string $title,
        public string $explanation,
        public Source $source,
        public array $samples,
        public ?Severity $passing = null,
    ) {}
}
