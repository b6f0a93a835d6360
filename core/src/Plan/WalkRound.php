<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Job\SchemaCheck;
use stdClass;

/** What one looks at and takes hold of in every rig before anything is planned. Common practice, no source. */
final class WalkRound
{
    /**
     * In the order in which one meets it, from the pedestal in.
     *
     * @return array<string, array{title: string, how: string}>
     */
    public static function items(): array
    {
        return [
            'inlet' => [
                'title' => 'Inlet and cord ends',
                'how' => 'Blades bright and tight, no browning, no melted plastic; the cord\'s jacket whole.',
            ],
            'covers' => [
                'title' => 'Covers and boxes',
                'how' => 'Every cover on and screwed, no open knock-outs, every splice in a box.',
            ],
            'tug' => [
                'title' => 'Tug at every conductor',
                'how' =>
                    'Dead and proven dead: each wire in breaker, bar, lug and connector holds against a firm pull.',
            ],
            'heat' => [
                'title' => 'Discolouration',
                'how' => 'No brown, brittle or swollen insulation; no bluish lugs; no smell behind the panel.',
            ],
            'support' => [
                'title' => 'Support of cables and terminals',
                'how' => 'Clamped within a hand of every box, grommets in every metal edge, no cable hanging on a lug.',
            ],
            'chafe' => [
                'title' => 'Chafing, rodents, water',
                'how' => 'Along the frame, behind drawers, above wheels and under sinks.',
            ],
            'battery' => [
                'title' => 'Battery place',
                'how' => 'Held down, vented where it is lead, poles covered, no second lead without a fuse.',
            ],
            'strangers' => [
                'title' => 'Opened before by others',
                'how' =>
                    'Tape, wire nuts of another make, unlabelled breakers, added wires: what is not the factory\'s.',
            ],
            'labels' => [
                'title' => 'Labels against truth',
                'how' => 'Each breaker opened once: what goes dead is what its label says.',
            ],
        ];
    }

    /** Schema of what was found, item by item. */
    public static function schema(): stdClass
    {
        return (object) [
            'type' => 'object',
            'propertyNames' => (object) ['enum' => array_keys(self::items())],
            'additionalProperties' => SchemaCheck::object(
                [
                    'verdict' => (object) ['enum' => ['sound', 'fault']],
                    'note' => (object) ['type' => 'string', 'minLength' => 1, 'maxLength' => 400],
                    'by' => (object) ['type' => 'string', 'maxLength' => 80],
                    'at' => (object) ['type' => 'string', 'maxLength' => 40],
                ],
                ['verdict'],
            ),
            'description' => 'the walk round the rig; what is not there has not been looked at',
        ];
    }
}
