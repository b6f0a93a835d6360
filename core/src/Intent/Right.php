<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** What somebody must be allowed to change for an intent. */
enum Right: string
{
    /** The survey and what must run. */
    case Survey = 'survey';
    case Plan = 'plan';
}
