<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Role;
use App\Models\User;
use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\Gates;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Reason;
use Hollin\Core\Job\Problem;
use stdClass;

/** What is wrong with a line of the logbook as it was sent: with its shape, and with who sends it. */
final class LogLine
{
    /** @return list<Problem> what is somebody else's to write, or needs a reason */
    public static function rights(User $user, mixed $line): array
    {
        $kind = $line->kind ?? null;
        $step = $line->step ?? null;
        $ask = $line->says->ask ?? null;
        $words = $line->says->words ?? null;
        $of = is_string($step) ? Kind::ofStep($step) : null;
        $problems = [];
        if ($kind === 'value' && $ask === Ask::SIGNED && $user->role !== Role::Lead) {
            $problems[] = new Problem('/says/ask', 'is a lead\'s to sign: it was measured, and it falls short.');
        }
        if ($kind === 'value' && is_string($ask) && str_starts_with($ask, Ask::OTHERWISE)) {
            $lacks = is_string($words) ? Reason::lacks($words) : 'must be told in words.';
            if ($user->role === Role::Apprentice) {
                $problems[] = new Problem(
                    '/says/ask',
                    'is not an apprentice\'s to find: another way of opening or measuring.',
                );
            } elseif ($lacks !== null) {
                $problems[] = new Problem('/says/words', $lacks);
            }
        }
        if ($kind === 'override') {
            $lacks = is_string($words) ? Reason::lacks($words) : null;
            if ($of?->isAbsolute() === true) {
                $problems[] = new Problem('/kind', Gates::ABSOLUTE);
            } elseif ($user->role !== Role::Lead) {
                $problems[] = new Problem('/kind', 'is a lead\'s: a gate is passed without its proof.');
            } elseif ($lacks !== null) {
                $problems[] = new Problem('/says/words', $lacks);
            }
        }
        if ($kind === 'done' && $of?->isGate() === true && $user->role === Role::Apprentice) {
            $problems[] = new Problem('/kind', 'is not an apprentice\'s: a gate.');
        }

        return $problems;
    }

    /**
     * @param array<string, BuildAnswer> $works by step
     * @return list<Problem>
     */
    public static function shape(mixed $line, array $works): array
    {
        if (!($line instanceof stdClass)) {
            return [new Problem('', 'must be an object with uuid, kind, step, says, at and seen.')];
        }
        $problems = [];
        if (
            !is_string($line->uuid ?? null) ||
            preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $line->uuid) !== 1
        ) {
            $problems[] = new Problem('/uuid', 'must be a UUID in small letters.');
        }
        if (!is_int($line->seen ?? null)) {
            $problems[] = new Problem('/seen', 'must be the number of the last line that was known.');
        }
        if (!self::isTime($line->at ?? null)) {
            $problems[] = new Problem('/at', 'must be a time in UTC that there is, such as 2026-11-27T09:00:00Z.');
        }
        array_push($problems, ...Entry::problems($line->kind ?? null, $line->step ?? null, $line->says ?? null));
        $step = $line->step ?? '';
        if (!is_string($step)) {
            $problems[] = new Problem('/step', 'must be the id of a step, or empty.');
        } elseif ($step !== '' && !isset($works[$step])) {
            $problems[] = new Problem('/step', 'is no step of any approved plan of this job.');
        }

        return $problems;
    }

    /** Whether it is a time as a clock shows it, in UTC. */
    private static function isTime(mixed $at): bool
    {
        return is_string($at) &&
            preg_match('/^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d):(\d\d)(\.\d{1,9})?Z$/D', $at, $m) === 1 &&
            (int) $m[1] > 0 &&
            checkdate((int) $m[2], (int) $m[3], (int) $m[1]) &&
            $m[4] < 24 &&
            $m[5] < 60 &&
            $m[6] < 60;
    }
}
