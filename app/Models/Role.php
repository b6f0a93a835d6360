<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody may do in a workshop. */
enum Role: string
{
    case Lead = 'lead';
    case Technician = 'technician';
    case Apprentice = 'apprentice';

    public function label(): string
    {
        return match ($this) {
            self::Lead => 'Lead technician',
            self::Technician => 'Technician',
            self::Apprentice => 'Apprentice',
        };
    }

    /** Within a sentence. */
    public function spoken(): string
    {
        return strtolower($this->label());
    }
}
