<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Job\Field;

/** What can be written into the logbook, and what each kind says. */
enum EntryKind: string
{
    case Start = 'start';
    case Value = 'value';
    case Done = 'done';
    case Undone = 'undone';
    case Override = 'override';
    case Photo = 'photo';
    case Note = 'note';
    case Defect = 'defect';
    case Open = 'open';
    case Closed = 'closed';
    case Arrival = 'arrival';
    case Substitute = 'substitute';
    case Wire = 'wire';
    case Pin = 'pin';
    case Differs = 'differs';
    case Surveyed = 'surveyed';

    /** Whether it is about a step. */
    public function hasStep(): bool
    {
        return in_array(
            $this,
            [self::Start, self::Value, self::Done, self::Undone, self::Override, self::Note, self::Pin],
            true,
        );
    }

    /** @return array<string, Field> what it says beside its step */
    public function fields(): array
    {
        $words = fn(string $label, int $longest = 500): Field => Field::text($label, $longest);
        $date = Field::text('Day', 10)->note('YYYY-MM-DD');

        $arrows = Field::map('Arrows on it, as shares of its width and height', [
            'x' => Field::number('From the left', '', 0, 1),
            'y' => Field::number('From the top', '', 0, 1),
            'toX' => Field::number('To, from the left', '', 0, 1),
            'toY' => Field::number('To, from the top', '', 0, 1),
            'words' => $words('Words', 80)->optional(),
        ])->optional();

        return match ($this) {
            self::Start => [],
            self::Value => [
                'ask' => $words('What is recorded', 80),
                'number' => Field::number('Figure', '', -1e9, 1e9)->optional(),
                'words' => $words('In words')->optional(),
                'tick' => Field::flag('Done or seen')->optional(),
                'instrument' => $words('Instrument', 80)->optional(),
            ],
            self::Done => ['mark' => $words('What the step said', 12)],
            self::Undone, self::Note => ['words' => $words('Why')],
            self::Override => ['words' => $words('Why')],
            self::Photo => [
                'sha256' => $words('Photograph', 64),
                'component' => $words('Part', 80)->optional(),
                'ask' => $words('What it shows', 80)->optional(),
                'words' => $words('Words', 300)->optional(),
                'arrows' => $arrows,
            ],
            self::Defect => [
                'words' => $words('What was broken already'),
                'component' => $words('Part', 80)->optional(),
                'sha256' => $words('Photograph', 64)->optional(),
                'arrows' => $arrows,
            ],
            self::Open => [
                'words' => $words('What is open'),
                'kind' => Field::choice('Kind', self::OPEN),
                'blocks' => Field::flag('Blocks the hand-over')->optional(),
                'whose' => $words('Whose it is', 120)->optional(),
                'due' => $date->labelled('Due')->optional(),
                'event' => $words('Waits for', 120)->optional(),
                'capW' => Field::number('Caps the power at', 'W', 1, 20000)->optional(),
            ],
            self::Closed => ['item' => $words('Which', 80), 'words' => $words('How')],
            self::Surveyed => ['item' => $words('Which', 80), 'words' => $words('Where it now stands')],
            self::Arrival => [
                'key' => $words('What', 80),
                'date' => $date->labelled('Expected')->optional(),
                'here' => Field::flag('It is here')->optional(),
            ],
            self::Substitute => [
                'key' => $words('For what', 80),
                'words' => $words('What stands in for it'),
                'why' => $words('Why'),
                'due' => $date->labelled('Looked at again')->optional(),
            ],
            self::Wire => [
                'where' => $words('Where', 160),
                'jacket' => $words('Jacket and print', 160)->optional(),
                'conductors' => $words('Conductors and colours', 160)->optional(),
                'to' => $words('Continuity to', 160)->optional(),
                'volts' => Field::number('Volts on it', 'V', -1000, 1000)->optional(),
                'cut' => Field::flag('Cut off or capped')->optional(),
                'sha256' => $words('Photograph', 64)->optional(),
                'arrows' => $arrows,
            ],
            self::Pin => ['date' => $date->labelled('Not before')->optional()],
            self::Differs => [
                'component' => $words('Part', 80),
                'what' => $words('What', 120),
                'designed' => $words('As designed', 200)->optional(),
                'built' => $words('As built', 200),
            ],
        };
    }

    /** Kinds of open items that somebody writes down. */
    public const OPEN = [
        'temporary' => 'temporary part',
        'unfinished' => 'unfinished',
        'deferred' => 'put off',
        'waiting' => 'waits for an event',
    ];
}
