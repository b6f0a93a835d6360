<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Op;
use stdClass;

/** Gives what an arrangement fits an id of its own where the rig has a part of that id already, and keeps it. */
final class OwnNames
{
    /**
     * @param list<stdClass> $changes as the arrangement wrote them
     * @return list<stdClass>
     */
    public static function in(array $changes, Rig $rig): array
    {
        $gone = $taken = [];
        foreach ($changes as $change) {
            if ($change->op === Op::Remove->value) {
                $gone[$change->target] = true;
            } elseif ($change->op === Op::Fit->value && $rig->find($change->target) !== null) {
                $taken[$change->target] = true;
            }
        }
        $names = [];
        foreach (array_keys(array_diff_key($taken, $gone)) as $id) {
            for ($n = 2; $rig->find("{$id}_{$n}") !== null; $n++);
            $names[$id] = "{$id}_{$n}";
        }

        return array_map(function (stdClass $change) use ($names): stdClass {
            if ($change->op === Op::Fit->value) {
                $change->target = $names[$change->target] ?? $change->target;
            }
            if (property_exists($change, 'value')) {
                $change->value = self::renamed($change->value, $names);
            }

            return $change;
        }, $changes);
    }

    /** @param array<string, string> $names */
    private static function renamed(mixed $value, array $names): mixed
    {
        if (is_string($value)) {
            [$id, $terminal] = [...explode('.', $value, 2), null];

            return ($names[$id] ?? $id) . ($terminal === null ? '' : ".{$terminal}");
        }
        if (!($value instanceof stdClass)) {
            return $value;
        }
        $copy = new stdClass();
        foreach (get_object_vars($value) as $name => $inner) {
            // Words and choices are no references, whatever they happen to be called.
            $copy->{$name} = in_array($name, ['type', 'label', 'kind', 'note'], true)
                ? $inner
                : self::renamed($inner, $names);
        }

        return $copy;
    }
}
