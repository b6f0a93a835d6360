<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use stdClass;

/** What an intent makes of a document, and what it is called in the history. */
final readonly class Edit
{
    /** @param list<string> $notices what the person should know, such as hand-made changes that were kept */
    public function __construct(public stdClass $document, public string $words, public array $notices = []) {}
}
