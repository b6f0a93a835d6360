<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** How a step stands by the logbook. */
final class StepState
{
    /** waiting, open, running, done, incomplete (done with something missing), overridden or reopened */
    public string $status = 'waiting';

    public ?string $startedAt = null;

    public ?string $doneAt = null;

    public string $by = '';

    /** what the step said when it was done */
    public string $mark = '';

    /** why it was passed without proof */
    public string $override = '';

    /**
     * @var array<string, array{value: float|string|bool|null, right: ?bool, by: string, at: string, entry: string,
     *      instrument: string}>
     */
    public array $answers = [];

    /**
     * What contradicts an answer.
     *
     * @var array<string, list<array{value: float|string|bool|null, by: string, at: string, tablet: string}>>
     */
    public array $conflicts = [];

    /** @var array<string, int> what a photograph shows => how many */
    public array $photos = [];

    /** @var list<string> words of what is missing or wrong */
    public array $missing = [];

    /** @var list<array{words: string, by: string, at: string}> */
    public array $notes = [];

    /** Whether what waits for it may begin. */
    public function isPassed(bool $gate): bool
    {
        return $this->status === 'done' || $this->status === 'overridden' || (!$gate && $this->status === 'incomplete');
    }

    /**
     * What somebody has signed for that falls short; null where nobody has, or nothing does.
     *
     * @return array{value: float|string|bool|null, by: string, at: string}|null
     */
    public function signedFor(Ask $ask): ?array
    {
        return ($this->answers[$ask->id]['right'] ?? null) === false ? $this->answers[$ask->signedBy] ?? null : null;
    }

    /**
     * Why something asked for was not taken; null where it was, or where nobody has said.
     *
     * @return array{value: float|string|bool|null, by: string, at: string}|null
     */
    public function excuseFor(Ask $ask): ?array
    {
        $why = $this->answers[$ask->excusedBy] ?? null;

        return isset($this->answers[$ask->id]) || trim((string) ($why['value'] ?? '')) === '' ? null : $why;
    }

    /** @return list<string> figures and words that are not as they should be, and what is not recorded */
    public function wrong(Step $step): array
    {
        $wrong = [];
        foreach ($step->asks as $ask) {
            $answer = $this->answers[$ask->id] ?? null;
            if ($answer !== null && $answer['right'] === false && !is_bool($answer['value'])) {
                $wrong[] = trim("{$ask->words} {$answer['value']} {$ask->unit}");
            }
        }
        $told = array_filter($this->missing, fn(string $m): bool => str_ends_with($m, 'not recorded'));

        return [...$wrong, ...array_values($told)];
    }

    /** Whether somebody has said how else something was opened or measured, in words of substance. */
    public function isOtherwise(Ask $ask): bool
    {
        return $ask->otherwise !== '' &&
            Reason::lacks((string) ($this->answers[$ask->otherwise]['value'] ?? '')) === null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'status' => $this->status,
            'startedAt' => $this->startedAt,
            'doneAt' => $this->doneAt,
            'by' => $this->by,
            'override' => $this->override,
            'answers' => (object) $this->answers,
            'conflicts' => (object) $this->conflicts,
            'photos' => (object) $this->photos,
            'missing' => $this->missing,
            'notes' => $this->notes,
        ];
    }
}
