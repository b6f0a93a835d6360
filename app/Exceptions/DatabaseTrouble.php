<?php

declare(strict_types=1);

namespace App\Exceptions;

use Illuminate\Database\QueryException;

/**
 * What is wrong when the database refuses a statement, by its SQLSTATE class (PostgreSQL 15, appendix A): it is away or
 * busy, and the same goes through later; or what it was given cannot be stored, and never will be.
 */
enum DatabaseTrouble
{
    case Away;
    case Unstorable;
    case Broken;

    /** Classes and states after which the same statement may well go through. */
    private const PASSES = [
        '08', // connection exception
        '40', // rolled back: deadlock, serialization
        '53', // insufficient resources
        '57', // operator intervention: shutting down, cancelled by its time limit
        '55P03', // a lock that could not be had
        '25P03', // ended while idle in a transaction
    ];

    /** Classes of what the data themselves are to blame for. */
    private const DATA = ['22', '23'];

    /** What libpq says without a state when the connection itself is gone. */
    private const LOST = 7;

    public static function of(QueryException $e): self
    {
        $previous = $e->getPrevious();
        $state = (string) ($e->errorInfo[0] ?? '');
        $driver = $e->errorInfo[1] ?? null;
        // A connection that was never made has no error info: its state stands in the first brackets.
        if (
            $state === '' &&
            preg_match('/^SQLSTATE\[(\w{5})\](?: \[(\d+)\])?/', ($previous ?? $e)->getMessage(), $m) === 1
        ) {
            $state = $m[1];
            $driver = isset($m[2]) ? (int) $m[2] : null;
        }
        foreach (self::PASSES as $class) {
            if (str_starts_with($state, $class)) {
                return self::Away;
            }
        }
        if ($state === 'HY000' && (int) $driver === self::LOST) {
            return self::Away;
        }

        return in_array(substr($state, 0, 2), self::DATA, true) ? self::Unstorable : self::Broken;
    }
}
