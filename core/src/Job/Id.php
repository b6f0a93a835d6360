<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

/** Ids in a job file: permanent, made by the client, separate from labels, never a bare number. */
final class Id
{
    public const PATTERN = '^[a-z][a-z0-9_]{0,47}$';

    /** Whether a name may be an id. */
    public static function valid(string $id): bool
    {
        return preg_match('/' . self::PATTERN . '/D', $id) === 1;
    }

    /**
     * A readable id from a label that is not taken yet.
     *
     * @param array<string, mixed> $taken
     */
    public static function from(string $label, array $taken): string
    {
        $base = trim((string) preg_replace('/[^a-z0-9]+/', '_', strtolower($label)), '_');
        if (preg_match('/^[a-z]/', $base) !== 1) {
            $base = 'x' . $base;
        }
        $base = substr($base, 0, 32);
        $id = $base;
        for ($n = 2; isset($taken[$id]); $n++) {
            $id = $base . '_' . $n;
        }

        return $id;
    }
}
