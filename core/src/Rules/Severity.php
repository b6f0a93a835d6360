<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

enum Severity: string
{
    case Danger = 'danger';
    case Warning = 'warning';
    case Advice = 'advice';

    public function rank(): int
    {
        return match ($this) {
            self::Danger => 0,
            self::Warning => 1,
            self::Advice => 2,
        };
    }
}
