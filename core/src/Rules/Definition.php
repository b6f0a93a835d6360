<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** What a rule says about itself: the rule reference is made from this, and the tests run the samples. */
final readonly class Definition
{
    /** @param non-empty-list<Sample> $samples */
    public function __construct(
        public string $id,
        public Severity $severity,
        public string $title,
        public string $explanation,
        public Source $source,
        public array $samples,
    ) {}
}
