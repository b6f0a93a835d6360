<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/**
 * How a hazard can come about: its Pareto-minimal pairs of slips and failures from any named
 * state. A slip is a control not as the named state sets it; a failure is a device welded or stuck.
 */
final readonly class Ways
{
    /**
     * @param list<array{slips: int, failures: int, words: string}> $pairs
     * @param string $kind always, outage, slips, remote, passing or outside
     */
    public function __construct(public string $kind, public array $pairs, public string $words) {}

    /** How easily it comes about, the easiest first; from outside after all others. */
    public function ease(): int
    {
        return (int) array_search($this->kind, ['always', 'outage', 'slips', 'passing', 'remote', 'outside'], true);
    }

    /** With so many slips of somebody; none: it shows in a named state. */
    public static function slips(int $slips, string $what): self
    {
        return match (true) {
            $slips === 0 => new self('always', [['slips' => 0, 'failures' => 0, 'words' => $what]], 'always, ' . $what),
            $slips <= 2 => new self(
                'slips',
                [['slips' => $slips, 'failures' => 0, 'words' => $what]],
                ($slips === 1 ? 'one slip: ' : 'two slips: ') . $what,
            ),
            default => new self(
                'remote',
                [['slips' => $slips, 'failures' => 0, 'words' => $what]],
                "remote, {$slips} slips: {$what}",
            ),
        };
    }

    /** Another minimal pair: one failure, and fewer slips than without it. */
    public function orFailing(string $what, int $slips): self
    {
        return new self(
            $this->kind,
            [...$this->pairs, ['slips' => $slips, 'failures' => 1, 'words' => $what]],
            "{$this->words}; or by one failure" . ($slips === 1 ? ' and one slip' : '') . ": {$what}",
        );
    }

    /** Nobody does anything: what surrounds the rig changes under a named state. */
    public static function outage(string $what): self
    {
        return new self('outage', [['slips' => 0, 'failures' => 0, 'words' => $what]], "without any slip: {$what}");
    }

    /** The setting comes to rest otherwise elsewhere: what happened before decides. */
    public static function reached(string $what, int $slips): self
    {
        return new self(
            $slips === 0 ? 'always' : 'slips',
            [['slips' => $slips, 'failures' => 0, 'words' => $what]],
            ($slips === 0 ? 'by what went before: ' : 'one slip: ') . $what,
        );
    }

    /** Something outside the rig is faulty: a pedestal wired wrong. One failure, and not the rig's. */
    public static function outside(string $what, int $slips = 0): self
    {
        return new self(
            'outside',
            [['slips' => $slips, 'failures' => 1, 'words' => $what]],
            "one failure, outside the rig: {$what}",
        );
    }

    /** Not a matter of states: how the rig is built. */
    public static function onTheRig(): self
    {
        return new self('always', [['slips' => 0, 'failures' => 0, 'words' => 'as built']], 'as built, in every state');
    }

    /** For so many seconds on the way to where it rests. */
    public static function passing(float $seconds, string $state): self
    {
        return new self(
            'passing',
            [['slips' => 0, 'failures' => 0, 'words' => $state]],
            sprintf('passing, %g s, on the way to: %s', $seconds, $state),
        );
    }
}
