<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** How grave a finding is. */
enum Severity: string
{
    case Danger = 'danger';
    case Warning = 'warning';
    case Advice = 'advice';

    /** Gravest first, from 0. */
    public function rank(): int
    {
        return match ($this) {
            self::Danger => 0,
            self::Warning => 1,
            self::Advice => 2,
        };
    }
}
