<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** What the steps of a work leave open, by how they stand: passed, missing, to be done again, found, signed, owed. */
final class LeftOpen
{
    /**
     * @param array<string, StepState> $states
     * @return list<OpenItem>
     */
    public static function of(Work $work, array $states): array
    {
        $open = [];
        foreach ($work->steps as $id => $step) {
            $state = $states[$id];
            $open[] = self::byStatus($step, $state);
            foreach ($step->asks as $ask) {
                $open[] = self::byAnswer($step, $ask, $state);
            }
            $open[] = self::unread($step, $state);
            $open[] = self::gas($step, $state);
        }

        return array_values(array_filter($open));
    }

    private static function byStatus(Step $step, StepState $state): ?OpenItem
    {
        $item = fn(string $prefix, string $kind, string $words): OpenItem => new OpenItem(
            "{$prefix}_{$step->id}",
            $kind,
            "{$step->title}: {$words}",
            true,
            $state->by,
            step: $step->id,
            by: $state->by,
            at: (string) $state->doneAt,
        );

        return match ($state->status) {
            'overridden' => $item(
                'override',
                'overridden',
                'passed without proof, ' . implode('; ', [$state->override, ...$state->wrong($step)]),
            ),
            'incomplete' => $item('missing', 'unfinished', implode('; ', $state->missing)),
            'reopened' => $item('reopened', 'unfinished', 'done before the plan was changed'),
            default => null,
        };
    }

    private static function byAnswer(Step $step, Ask $ask, StepState $state): ?OpenItem
    {
        $read = $state->answers[$ask->id] ?? null;
        if ($read === null || $read['right'] !== false) {
            return null;
        }
        $signed = $state->signedFor($ask);
        if ($signed === null && !$ask->finds) {
            return null;
        }
        $figure = trim("{$read['value']} {$ask->unit}");

        return new OpenItem(
            ($ask->finds ? 'found' : 'signed') . "_{$step->id}_{$ask->id}",
            $ask->finds ? 'defect' : 'overridden',
            $ask->finds
                ? "Was so before: {$ask->words}, {$figure}"
                : "{$step->title}: {$ask->words} {$figure}, signed for: {$signed['value']}",
            false,
            $ask->finds ? 'the owner decides' : $signed['by'],
            step: $step->id,
            by: $signed['by'] ?? $read['by'],
            at: $signed['at'] ?? $read['at'],
        );
    }

    /** What was never read before the work began: afterwards nobody can tell. */
    private static function unread(Step $step, StepState $state): ?OpenItem
    {
        $unread = array_filter($step->asks, fn(Ask $a): bool => $state->excuseFor($a) !== null);
        if ($unread === [] || $state->doneAt === null) {
            return null;
        }
        $excuse = $state->excuseFor(reset($unread));

        return new OpenItem(
            "unread_{$step->id}",
            'unfinished',
            sprintf(
                'Not read before the work: %s. %s',
                implode('; ', array_map(fn(Ask $a): string => $a->words, $unread)),
                ucfirst((string) ($excuse['value'] ?? '')),
            ),
            false,
            $excuse['by'] ?? '',
            step: $step->id,
            by: $excuse['by'] ?? '',
            at: $excuse['at'] ?? '',
        );
    }

    private static function gas(Step $step, StepState $state): ?OpenItem
    {
        $touched = $state->answers['gas_touched'] ?? null;

        return ($touched['value'] ?? null) !== true
            ? null
            : new OpenItem(
                "gas_{$step->id}",
                'unfinished',
                "Leak test of the gas line by somebody qualified: it was touched at “{$step->title}”",
                true,
                'somebody qualified for gas',
                step: $step->id,
                by: $touched['by'],
                at: $touched['at'],
            );
    }
}
