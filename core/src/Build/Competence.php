<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** Who may do a step. Where the law asks for a licence, the licence decides. */
enum Competence: string
{
    case Apprentice = 'apprentice';
    case Technician = 'technician';
    case Lead = 'lead';

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
