<?php

declare(strict_types=1);

namespace App\Auth;

use RuntimeException;

/** The usual passwords, from the list of a package; deploy/machine.sh puts it where it is read here. */
final class CommonPasswords
{
    /** @var ?array<string, true> */
    private static ?array $all = null;

    /** @return array<string, true> in small letters */
    public static function all(): array
    {
        if (self::$all === null) {
            $file = base_path('bootstrap/cache/common-passwords.json');
            $list = json_decode((string) @file_get_contents($file), true);
            if (!is_array($list) || count($list) < 3000) {
                throw new RuntimeException("{$file} is missing; bin/start makes it.");
            }
            self::$all = array_fill_keys(array_map(strval(...), $list), true);
        }

        return self::$all;
    }
}
