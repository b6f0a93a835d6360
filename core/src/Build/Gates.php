<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Closure;

/** Which lines of a logbook do nothing, because a gate stays shut. */
final readonly class Gates
{
    /** Why nobody passes some gates. */
    public const ABSOLUTE =
        'Nobody passes this without its proof: where it cannot be opened or measured as it stands here, another way ' .
        'is found and recorded.';

    /** @param Closure(Step, StepState): list<string> $look what is missing or wrong at a step */
    public function __construct(private Work $work, private Closure $look) {}

    /**
     * Why a line does nothing: it would pass a gate that nobody passes without its proof, or one that still waits, or
     * take a source that comes after another.
     *
     * @param array<string, StepState> $steps as they stand when it comes
     */
    public function shut(Step $step, Entry $entry, array $steps): ?string
    {
        $passes = $entry->kind === EntryKind::Override || $entry->kind === EntryKind::Done;
        if ($entry->kind === EntryKind::Override && $step->kind->isAbsolute()) {
            return self::ABSOLUTE;
        }
        if ($passes && $step->kind->isGate()) {
            foreach ($this->work->before($step->id) as $id) {
                if (!$this->wasPassed($this->work->steps[$id], $steps[$id])) {
                    return "It still waits for “{$this->work->steps[$id]->title}”.";
                }
            }
        }
        if ($entry->kind === EntryKind::Value && $step->inOrder && $entry->given() !== false) {
            foreach ($step->asks as $ask) {
                if (in_array($entry->says->text('ask'), [$ask->id, $ask->otherwise], true)) {
                    return null;
                }
                if (
                    ($steps[$step->id]->answers[$ask->id]['value'] ?? null) !== true &&
                    !$steps[$step->id]->isOtherwise($ask)
                ) {
                    return "First: {$ask->words}.";
                }
            }
        }

        return null;
    }

    /** Whether what waits for a step could begin when a line came, by what was asked for then as far as it is known. */
    private function wasPassed(Step $step, StepState $state): bool
    {
        return $state->override !== '' ||
            ($state->doneAt !== null &&
                (!$step->kind->isGate() || $state->mark !== $step->mark() || ($this->look)($step, $state) === []));
    }
}
