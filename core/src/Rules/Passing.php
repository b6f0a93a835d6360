<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Setting;
use Hollin\Core\States\Situation;

/** What a rig is for a while, on the way to where a setting rests. */
final readonly class Passing
{
    /** @param array<string, string> $from automatic devices that start elsewhere than at rest */
    public function __construct(
        public Situation $situation,
        public Setting $setting,
        public array $from,
        /** how many situations passed before it */
        public int $step,
        /** where it leads */
        public string $words,
    ) {}
}
