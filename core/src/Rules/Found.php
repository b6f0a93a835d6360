<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Setting;

/** One hazard that a search has found, and where to look to see it again. */
final readonly class Found
{
    /**
     * @param string $key rule and key of the hit
     * @param ?string $state named state that shows it first
     * @param list<string> $states all named states that show it
     * @param array<string, string> $from positions that automatic devices come from
     * @param ?int $step which situation on the way; null for where it comes to rest
     */
    private function __construct(
        public string $key,
        public string $kind,
        public Setting $setting,
        public ?string $state,
        public int $slips,
        public string $words,
        public array $states = [],
        public array $from = [],
        public ?int $step = null,
        /** @var ?array{slips: int, words: string} a single failure that does it with fewer slips */
        public ?array $failure = null,
    ) {}

    /** @param ?array{slips: int, words: string} $failure */
    public function orBy(?array $failure): self
    {
        return new self(
            $this->key,
            $this->kind,
            $this->setting,
            $this->state,
            $this->slips,
            $this->words,
            $this->states,
            $this->from,
            $this->step,
            $failure,
        );
    }

    /** @param list<string> $states */
    public static function set(
        string $key,
        Setting $setting,
        ?string $state,
        int $slips,
        string $words,
        array $states,
    ): self {
        return new self(
            $key,
            $slips === 0 && $state === null ? 'outage' : 'slips',
            $setting,
            $state,
            $slips,
            $words,
            $states,
        );
    }

    /**
     * Where a setting comes to only from elsewhere.
     *
     * @param array<string, string> $from
     * @param ?string $state named state whose setting it is
     */
    public static function reached(
        string $key,
        Setting $setting,
        array $from,
        ?string $state,
        int $slips,
        string $words,
    ): self {
        return new self($key, 'reached', $setting, $state, $slips, $words, $state === null ? [] : [$state], $from);
    }

    /** @param array<string, string> $from */
    public static function passing(string $key, Setting $setting, array $from, int $step, string $towards): self
    {
        return new self($key, 'passing', $setting, null, 0, $towards, [], $from, $step);
    }

    /** Needs a faulty pedestal, and so many slips beside it. */
    public static function outside(string $key, Setting $setting, int $slips, string $words): self
    {
        return new self($key, 'outside', $setting, null, $slips, $words);
    }
}
