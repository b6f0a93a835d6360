<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Job\Values;

/**
 * What the lines of a job's logbook come to, against the work of its approved plan. Lines are read in the order in
 * which the server took them; two that contradict each other, neither written with the other before it, are a conflict
 * and stand side by side until a later line, written with both in view, settles it.
 */
final class Logbook
{
    /** @var array<string, StepState> */
    public readonly array $steps;

    /** @var list<OpenItem> */
    public readonly array $open;

    /** @var array<string, array{date: string, here: bool}> material => when it comes */
    public array $arrivals = [];

    /** @var array<string, true> words of materials that something stands in for */
    public array $replaced = [];

    /** @var array<string, string> step => day before which it does not begin */
    public array $pins = [];

    /** @var list<array<string, mixed>> wires found that nobody knows */
    public array $wires = [];

    /** @var list<array<string, string>> where the rig was built otherwise than designed */
    public array $differences = [];

    /** @var list<array<string, mixed>> photographs with their arrows */
    public array $photos = [];

    /** @var list<OpenItem> as written down */
    private array $written = [];

    /** @var array<string, array{int, string}> step and ask => number and tablet of the last line */
    private array $last = [];

    /** @var array<string, string> line => why it does nothing: a gate that it would pass stays shut */
    public array $shut = [];

    /** @param list<Entry> $entries in the order of their numbers */
    public function __construct(private readonly Work $work, array $entries)
    {
        $steps = array_map(fn(): StepState => new StepState(), $work->steps);
        $gates = new Gates($work, $this->look(...));
        $closed = [];
        foreach ($entries as $entry) {
            $state = $steps[$entry->step] ?? null;
            if ($state !== null) {
                $why = $gates->shut($work->steps[$entry->step], $entry, $steps);
                if ($why === null) {
                    $this->stepLine($state, $entry);
                } else {
                    $this->shut[$entry->uuid] = $why;
                    $note = $this->note($entry);
                    $state->notes[] = ['words' => trim("Not taken: {$why} {$note['words']}")] + $note;
                }
            }
            if ($entry->kind === EntryKind::Closed) {
                $closed[$entry->says->text('item')] = true;
            }
            $this->otherLine($entry, $steps);
        }
        $this->steps = $this->judged($steps);
        $this->open = array_values(
            array_filter(
                [...LeftOpen::of($work, $this->steps), ...$this->written],
                fn(OpenItem $o): bool => !isset($closed[$o->id]),
            ),
        );
    }

    private function stepLine(StepState $state, Entry $entry): void
    {
        switch ($entry->kind) {
            case EntryKind::Start:
                $state->startedAt = $entry->at;
                $state->by = $entry->by;
                break;
            case EntryKind::Done:
                $state->doneAt = $entry->at;
                $state->by = $entry->by;
                $state->mark = $entry->says->text('mark');
                $state->override = '';
                break;
            case EntryKind::Undone:
                $state->doneAt = null;
                $state->override = '';
                $state->notes[] = $this->note($entry);
                break;
            case EntryKind::Override:
                $state->override = $entry->says->text('words');
                $state->doneAt = $entry->at;
                $state->by = $entry->by;
                $state->mark = '';
                break;
            case EntryKind::Note:
                $state->notes[] = $this->note($entry);
                break;
            case EntryKind::Value:
                $this->answer($state, $entry);
                break;
            default:
        }
    }

    /** @return array{words: string, by: string, at: string} */
    private function note(Entry $entry): array
    {
        return ['words' => $entry->says->text('words'), 'by' => $entry->by, 'at' => $entry->at];
    }

    private function answer(StepState $state, Entry $entry): void
    {
        $ask = $entry->says->text('ask');
        $before = $state->answers[$ask] ?? null;
        $key = "{$entry->step} {$ask}";
        [$number, $tablet] = $this->last[$key] ?? [0, ''];
        // Written without having seen the one before, on another tablet, and saying something else.
        $unaware = $before !== null && $entry->seen < $number && $tablet !== $entry->tablet;
        if ($unaware && $before['value'] !== $entry->given()) {
            $state->conflicts[$ask] ??= [
                ['value' => $before['value'], 'by' => $before['by'], 'at' => $before['at'], 'tablet' => $tablet],
            ];
            $state->conflicts[$ask][] = [
                'value' => $entry->given(),
                'by' => $entry->by,
                'at' => $entry->at,
                'tablet' => $entry->tablet,
            ];
        } elseif (!$unaware) {
            unset($state->conflicts[$ask]);
        }
        $state->answers[$ask] = [
            'value' => $entry->given(),
            'right' => null,
            'by' => $entry->by,
            'at' => $entry->at,
            'entry' => $entry->uuid,
            'instrument' => $entry->says->text('instrument'),
        ];
        $this->last[$key] = [$entry->number, $entry->tablet];
    }

    /** @param array<string, StepState> $steps */
    private function otherLine(Entry $entry, array $steps): void
    {
        $says = $entry->says;
        if ($says->has('sha256')) {
            $this->photos[] = [
                'sha256' => $says->text('sha256'),
                'component' => $says->text('component'),
                'step' => $entry->step,
                'ask' => $says->text('ask', $entry->kind->value),
                'words' => $says->text('words', $says->text('where')),
                'arrows' => array_map(
                    fn(Values $a): array => (array) $a->raw(),
                    array_values($says->entries('arrows')),
                ),
                'by' => $entry->by,
                'at' => $entry->at,
            ];
        }
        switch ($entry->kind) {
            case EntryKind::Photo:
                if (isset($steps[$entry->step])) {
                    $ask = $says->text('ask', 'photo');
                    $steps[$entry->step]->photos[$ask] = ($steps[$entry->step]->photos[$ask] ?? 0) + 1;
                }
                break;
            case EntryKind::Arrival:
                $this->arrivals[$says->text('key')] = [
                    'date' => $says->text('date', $this->arrivals[$says->text('key')]['date'] ?? ''),
                    'here' => $says->flag('here'),
                ];
                break;
            case EntryKind::Pin:
                if ($says->has('date')) {
                    $this->pins[$entry->step] = $says->text('date');
                } else {
                    unset($this->pins[$entry->step]);
                }
                break;
            case EntryKind::Wire:
                $this->wires[] = ['id' => $entry->uuid, 'by' => $entry->by, 'at' => $entry->at] + (array) $says->raw();
                break;
            case EntryKind::Differs:
                $this->differences[] = [
                    'component' => $says->text('component'),
                    'what' => $says->text('what'),
                    'designed' => $says->text('designed'),
                    'built' => $says->text('built'),
                    'by' => $entry->by,
                    'at' => $entry->at,
                ];
                break;
            case EntryKind::Defect:
                $this->written[] = new OpenItem(
                    $entry->uuid,
                    'defect',
                    'Was so before: ' . $says->text('words'),
                    false,
                    'the owner decides',
                    step: $entry->step,
                    by: $entry->by,
                    at: $entry->at,
                    photo: $says->text('sha256'),
                );
                break;
            case EntryKind::Substitute:
                $this->replaced[$says->text('key')] = true;
                $this->written[] = new OpenItem(
                    $entry->uuid,
                    'temporary',
                    "{$says->text('words')} in place of {$says->text('key')}: {$says->text('why')}",
                    false,
                    'the workshop',
                    $says->text('due'),
                    by: $entry->by,
                    at: $entry->at,
                );
                break;
            case EntryKind::Open:
                $this->written[] = new OpenItem(
                    $entry->uuid,
                    $says->text('kind'),
                    $says->text('words'),
                    $says->flag('blocks'),
                    $says->text('whose'),
                    $says->text('due'),
                    $says->text('event'),
                    $says->numberOrNull('capW'),
                    $entry->step,
                    $entry->by,
                    $entry->at,
                );
                break;
            default:
        }
    }

    /**
     * @param array<string, StepState> $steps
     * @return array<string, StepState>
     */
    private function judged(array $steps): array
    {
        $waits = $this->work->waits();
        foreach ($this->work->steps as $id => $step) {
            $state = $steps[$id];
            $state->missing = $this->look($step, $state);
            $free = true;
            foreach ($waits[$id] ?? [] as $link) {
                $free = $free && $steps[$link->before]->isPassed($this->work->steps[$link->before]->kind->isGate());
            }
            $state->status = match (true) {
                $state->override !== '' => 'overridden',
                $state->doneAt !== null && $state->mark !== $step->mark() => 'reopened',
                $state->doneAt !== null => $state->missing === [] ? 'done' : 'incomplete',
                !$free => 'waiting',
                $state->startedAt !== null => 'running',
                default => 'open',
            };
        }

        return $steps;
    }

    /** @return list<string> what is missing or wrong at a step, with each answer held against what is asked */
    private function look(Step $step, StepState $state): array
    {
        foreach ($step->asks as $ask) {
            $this->reckon($ask, $state);
            if (isset($state->answers[$ask->id])) {
                $state->answers[$ask->id]['right'] = $ask->isRight($state->answers[$ask->id]['value']);
            }
        }

        return $this->missing($step, $state);
    }

    /** What nobody writes down because it follows from what is written. */
    private function reckon(Ask $ask, StepState $state): void
    {
        if ($ask->kind !== 'reckoned') {
            return;
        }
        unset($state->answers[$ask->id], $state->conflicts[$ask->id]);
        $value = $ask->reckoned($state->answers);
        if ($value === null) {
            return;
        }
        $from = array_map(fn(string $of): array => $state->answers[$of], $ask->of);
        usort($from, fn(array $a, array $b): int => strcmp($a['at'], $b['at']));
        $state->answers[$ask->id] = ['value' => $value] + $from[count($from) - 1];
    }

    /** @return list<string> materials that somebody has said are on their way, and that nothing stands in for */
    private function away(Step $step): array
    {
        $away = [];
        foreach ($step->lists as $line) {
            $arrival = $this->arrivals[$line['key'] ?? ''] ?? null;
            if ($arrival !== null && !$arrival['here'] && !isset($this->replaced[mb_substr($line['words'], 0, 80)])) {
                $away[] = "{$line['words']}: not here yet";
            }
        }

        return $away;
    }

    /** @return list<string> what is asked for and not recorded, or recorded and not right */
    private function missing(Step $step, StepState $state): array
    {
        $missing = $this->away($step);
        foreach ($step->asks as $ask) {
            $answer = $state->answers[$ask->id] ?? null;
            if (isset($state->conflicts[$ask->id])) {
                $missing[] = "{$ask->words}: recorded twice, and not the same";
            } elseif (
                ($ask->finds && $answer !== null) ||
                // What it is reckoned from is missing then, and named.
                ($ask->kind === 'reckoned' && $answer === null) ||
                $state->signedFor($ask) !== null ||
                $state->excuseFor($ask) !== null ||
                // A figure is right, whichever way it was measured; an opening is one, whichever way it was made.
                ($ask->kind === 'tick' && $state->isOtherwise($ask))
            ) {
                continue;
            } elseif ($answer !== null && $answer['right'] === false && ($ask->required || $ask->kind === 'number')) {
                $missing[] = "{$ask->words}: not as it should be";
            } elseif (
                $ask->required &&
                $answer === null &&
                !($ask->kind === 'photo' && isset($state->photos[$ask->id]))
            ) {
                $missing[] = "{$ask->words}: not recorded";
            }
        }

        return $missing;
    }

    /**
     * Minutes that steps took, for one piece, by kind: from those that were started and ended within a day.
     *
     * @return array<string, list<float>>
     */
    public function took(): array
    {
        $took = [];
        foreach ($this->work->steps as $id => $step) {
            $state = $this->steps[$id];
            if ($state->startedAt === null || $state->doneAt === null || $state->status === 'overridden') {
                continue;
            }
            $minutes = (strtotime($state->doneAt) - strtotime($state->startedAt)) / 60;
            if ($minutes > 0 && $minutes < 12 * 60 && $step->pieces > 0) {
                $took[$step->kind->value][] = $minutes / $step->pieces;
            }
        }

        return $took;
    }
}
