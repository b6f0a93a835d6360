<?php

declare(strict_types=1);

namespace App\Http;

use Hollin\Core\Answers\Shape;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Kind;

/** Shapes of the work: approvals, steps, logbook, schedule. */
final class BuildShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        return self::approvals() + self::steps() + self::log() + self::schedule();
    }

    /** @return array<string, array<string, mixed>> */
    private static function approvals(): array
    {
        $text = Shape::TEXT;
        $integer = ['type' => 'integer'];
        $open = [
            'id' => $text,
            'severity' => ['type' => 'string', 'enum' => ['danger', 'warning', 'advice']],
            'title' => $text,
            'text' => $text,
            'stage' => $text,
        ];

        return [
            'OpenFinding' => Shape::object($open),
            'Approval' => Shape::object([
                'revision' => $integer,
                'plan' => $text,
                'words' => Shape::MAYBE_TEXT,
                'rules' => $text,
                'open' => Shape::list(Shape::object($open + ['why' => $text])),
                'by' => Shape::MAYBE_TEXT,
                'at' => $text,
            ]),
            'ApprovalBody' => Shape::object(
                ['uuid' => ['type' => 'string', 'format' => 'uuid'], 'revision' => $integer, 'plan' => $text],
                ['open' => Shape::map($text), 'words' => $text],
            ),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function steps(): array
    {
        $text = Shape::TEXT;
        $number = Shape::NUMBER;
        $flag = Shape::FLAG;
        $integer = ['type' => 'integer'];
        $value = ['type' => ['number', 'string', 'boolean', 'null']];

        return [
            'Ask' => Shape::object([
                'id' => $text,
                'kind' => ['type' => 'string', 'enum' => ['tick', 'number', 'reckoned', 'text', 'photo']],
                'words' => $text,
                'required' => $flag,
                'unit' => $text,
                'low' => Shape::MAYBE_NUMBER,
                'high' => Shape::MAYBE_NUMBER,
                'why' => $text,
                'options' => Shape::list($text),
                'expected' => $text,
                'finds' => $flag,
                'signedBy' => $text,
                'excusedBy' => $text,
                'of' => Shape::list($text),
                'how' => $text,
                'otherwise' => $text,
            ]),
            'Step' => Shape::object([
                'id' => $text,
                'mark' => $text,
                'stage' => $text,
                'kind' => ['type' => 'string', 'enum' => array_column(Kind::cases(), 'value')],
                'gate' => $flag,
                'absolute' => $flag,
                'inOrder' => $flag,
                'later' => $flag,
                'title' => $text,
                'why' => $text,
                'components' => Shape::list($text),
                'cables' => Shape::list($text),
                'where' => $text,
                'does' => Shape::list($text),
                'lists' => Shape::list(Shape::object(['words' => $text, 'why' => $text, 'key' => $text])),
                'tools' => Shape::list($text),
                'takes' => Shape::list($text),
                'asks' => Shape::list(Shape::ref('Ask')),
                'cautions' => Shape::list(Shape::object(['id' => $text, 'title' => $text, 'why' => $text])),
                'labels' => Shape::list(Shape::ref('Label')),
                'minutes' => Shape::object([
                    'low' => $number,
                    'likely' => $number,
                    'high' => $number,
                    'records' => $integer,
                ]),
                'unattendedMin' => $number,
                'people' => $integer,
                'who' => ['type' => 'string', 'enum' => ['apprentice', 'technician', 'lead']],
                'daylight' => $flag,
            ]),
            'Setting' => Shape::object([
                'id' => $text,
                'words' => $text,
                'value' => ['type' => ['number', 'string']],
                'unit' => $text,
                'said' => $text,
                'why' => $text,
                'source' => $text,
                'planned' => ['type' => ['number', 'string', 'null']],
                'field' => $text,
            ]),
            'Label' => Shape::object([
                'id' => $text,
                'kind' => $text,
                'title' => $text,
                'lines' => Shape::list($text),
                'where' => $text,
                'component' => $text,
            ]),
            'BuildStage' => Shape::object([
                'id' => $text,
                'title' => $text,
                'doubts' => Shape::list(Shape::object(['kind' => $text, 'words' => $text])),
                'materials' => Shape::list(
                    Shape::object(['key' => $text, 'component' => $text, 'words' => $text, 'why' => $text]),
                ),
                'caps' => Shape::list(
                    Shape::object(['component' => $text, 'label' => $text, 'words' => $text, 'capW' => $number]),
                ),
                'sheets' => Shape::list(
                    Shape::object([
                        'component' => $text,
                        'label' => $text,
                        'settings' => Shape::list(Shape::ref('Setting')),
                    ]),
                ),
                'labels' => Shape::list(Shape::ref('Label')),
            ]),
            'StepState' => Shape::object([
                'status' => [
                    'type' => 'string',
                    'enum' => ['waiting', 'open', 'running', 'done', 'incomplete', 'overridden', 'reopened'],
                ],
                'startedAt' => Shape::MAYBE_TEXT,
                'doneAt' => Shape::MAYBE_TEXT,
                'by' => $text,
                'override' => $text,
                'answers' => Shape::map(
                    Shape::object([
                        'value' => $value,
                        'right' => ['type' => ['boolean', 'null']],
                        'by' => $text,
                        'at' => $text,
                        'entry' => $text,
                        'instrument' => $text,
                    ]),
                ),
                'conflicts' => Shape::map(
                    Shape::list(Shape::object(['value' => $value, 'by' => $text, 'at' => $text, 'tablet' => $text])),
                ),
                'photos' => Shape::map($integer),
                'missing' => Shape::list($text),
                'notes' => Shape::list(Shape::object(['words' => $text, 'by' => $text, 'at' => $text])),
            ]),
            'OpenItem' => Shape::object([
                'id' => $text,
                'kind' => $text,
                'words' => $text,
                'blocks' => $flag,
                'whose' => $text,
                'due' => $text,
                'event' => $text,
                'capW' => Shape::MAYBE_NUMBER,
                'step' => $text,
                'by' => $text,
                'at' => $text,
                'photo' => $text,
                'late' => $flag,
            ]),
            'LogPhoto' => Shape::object([
                'sha256' => $text,
                'component' => $text,
                'step' => $text,
                'ask' => $text,
                'words' => $text,
                'arrows' => Shape::list(
                    Shape::object(['x' => $number, 'y' => $number, 'toX' => $number, 'toY' => $number]),
                ),
                'by' => $text,
                'at' => $text,
            ]),
            'BuildWalls' => Shape::object([
                'revision' => $integer,
                'plan' => $text,
                'walls' => Shape::map(Shape::ref('Wall')),
            ]),
            'AsBuilt' => Shape::object([
                'rows' => Shape::list(
                    Shape::object([
                        'component' => $text,
                        'label' => $text,
                        'found' => $text,
                        'designed' => $text,
                        'built' => $text,
                        'state' => ['type' => 'string', 'enum' => ['built', 'not yet', 'otherwise']],
                    ]),
                ),
                'answer' => Shape::ref('RigAnswer'),
            ]),
            'Build' => Shape::object([
                'job' => $integer,
                'revision' => $integer,
                'head' => $integer,
                'approval' => Shape::nullable(Shape::ref('Approval')),
                'draft' => $flag,
                'since' => Shape::object([
                    'changed' => Shape::list(Shape::object(['step' => $text, 'title' => $text, 'new' => $flag])),
                    'gone' => Shape::list($text),
                ]),
                'last' => $integer,
                'comesOn' => Shape::MAYBE_TEXT,
                'goesOn' => Shape::MAYBE_TEXT,
                'stocks' => Shape::map($text),
                'plan' => $text,
                'title' => $text,
                'stages' => Shape::list(Shape::ref('BuildStage')),
                'steps' => Shape::list(Shape::ref('Step')),
                'links' => Shape::list(Shape::object(['before' => $text, 'after' => $text, 'why' => $text])),
                'states' => Shape::map(Shape::ref('StepState')),
                'open' => Shape::list(Shape::ref('OpenItem')),
                'replaced' => Shape::list($text),
                'arrivals' => Shape::map(Shape::object(['date' => $text, 'here' => $flag])),
                'pins' => Shape::map($text),
                'wires' => Shape::list(['type' => 'object', 'additionalProperties' => true]),
                'differences' => Shape::list(Shape::map($text)),
                'photos' => Shape::list(Shape::ref('LogPhoto')),
            ]),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function log(): array
    {
        $text = Shape::TEXT;
        $integer = ['type' => 'integer'];
        $says = ['type' => 'object', 'additionalProperties' => true];
        $kind = ['type' => 'string', 'enum' => array_column(EntryKind::cases(), 'value')];

        return [
            'LogLine' => Shape::object(
                [
                    'uuid' => $text,
                    'kind' => $kind,
                    'says' => $says,
                    'at' => ['type' => 'string', 'description' => 'by the clock of whoever wrote it, UTC'],
                    'seen' => $integer + ['description' => 'number of the last line that was known there'],
                ],
                ['step' => $text],
            ),
            'LogBody' => Shape::object(
                [
                    'tablet' => $text,
                    'revision' => $integer,
                    'sentAt' => $text,
                    'entries' => Shape::list(Shape::ref('LogLine')),
                ],
                ['for' => $integer],
            ),
            'LogTaken' => Shape::object([
                'taken' => Shape::list(Shape::object(['uuid' => $text, 'number' => $integer])),
                'refused' => Shape::list(
                    Shape::object([
                        'uuid' => $text,
                        'problems' => Shape::list(Shape::object(['pointer' => $text, 'message' => $text])),
                    ]),
                ),
                'last' => $integer,
            ]),
            'LogLines' => Shape::object([
                'lines' => Shape::list(
                    Shape::object([
                        'number' => $integer,
                        'uuid' => $text,
                        'kind' => $kind,
                        'step' => $text,
                        'says' => $says,
                        'at' => $text,
                        'clockSaid' => $text,
                        'by' => Shape::MAYBE_TEXT,
                        'tablet' => $text,
                        'seen' => $integer,
                        'revision' => $integer,
                    ]),
                ),
                'last' => $integer,
            ]),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function schedule(): array
    {
        $text = Shape::TEXT;
        $integer = ['type' => 'integer'];
        $person = Shape::object(['id' => $text, 'name' => $text, 'rank' => $integer]);
        $schedule = [
            'zone' => $text,
            'from' => $text,
            'ends' => $text,
            'lowest' => $text,
            'proved' => Shape::FLAG,
            'handsMin' => $integer,
            'aloneMin' => $integer,
            'goesOn' => Shape::MAYBE_TEXT,
            'lateMin' => ['type' => ['integer', 'null']],
            'critical' => Shape::list($text),
            'again' => Shape::list($text),
            'tasks' => Shape::list(Shape::ref('Task')),
        ];
        $span = Shape::list(['type' => 'array', 'items' => $integer]);
        $hours = [
            'week' => Shape::map($span),
            'closed' => Shape::list($text),
            'latitude' => Shape::NUMBER,
            'longitude' => Shape::NUMBER,
            'bays' => $integer,
        ];

        return [
            'Task' => Shape::object([
                'step' => $text,
                'title' => $text,
                'spans' => Shape::list(Shape::object(['from' => $text, 'to' => $text])),
                'from' => $text,
                'to' => $text,
                'aloneMin' => $integer,
                'people' => Shape::list($text),
                'floatMin' => $integer,
            ]),
            'Schedule' => Shape::object(
                $schedule + [
                    'people' => Shape::list($person),
                    'slips' => Shape::list(Shape::object(['key' => $text, 'words' => $text, 'slipMin' => $integer])),
                ],
            ),
            'Floor' => Shape::object([
                'people' => Shape::list($person),
                'bays' => $integer,
                'jobs' => Shape::list(
                    Shape::object(['job' => $integer, 'title' => $text, 'bay' => $integer] + $schedule),
                ),
            ]),
            'DatesBody' => Shape::object(['comesOn' => Shape::MAYBE_TEXT, 'goesOn' => Shape::MAYBE_TEXT]),
            'Hours' => Shape::object(['zone' => $text] + $hours),
            'HoursBody' => Shape::object(array_diff_key($hours, ['closed' => 1]), ['closed' => Shape::list($text)]),
        ];
    }
}
