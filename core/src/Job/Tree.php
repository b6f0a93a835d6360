<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use stdClass;

/** Decoded JSON as a tree of values: comparing and copying it, at every depth. */
final class Tree
{
    /** Whether two values of a document are the same, at every depth; an object is never compared with a number. */
    public static function same(mixed $a, mixed $b): bool
    {
        if ($a === $b || !($a instanceof stdClass) || !($b instanceof stdClass)) {
            return $a === $b;
        }
        // Mostly they are the same in the same order, which the machine sees faster.
        if (serialize($a) === serialize($b)) {
            return true;
        }
        $left = get_object_vars($a);
        $right = get_object_vars($b);
        if (count($left) !== count($right)) {
            return false;
        }
        foreach ($left as $name => $value) {
            if (!array_key_exists($name, $right) || !self::same($value, $right[$name])) {
                return false;
            }
        }

        return true;
    }

    /** A deep copy that can be changed freely. */
    public static function copy(stdClass $document): stdClass
    {
        $copy = clone $document;
        foreach (get_object_vars($copy) as $name => $value) {
            if ($value instanceof stdClass) {
                $copy->{$name} = self::copy($value);
            }
        }

        return $copy;
    }
}
