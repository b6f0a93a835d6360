<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Refused;

/** One thing a person can mean: what it needs, who may, and what it makes of a document. */
interface Handler
{
    /** Name of the intent in a request. */
    public static function kind(): string;

    /** @return list<string> properties an intent of this kind must have */
    public static function needs(): array;

    /** Who may. */
    public static function right(): Right;

    /**
     * Changes the document it is given, and says in words what it did.
     *
     * @throws Refused with where and what would be right
     */
    public function handle(Editing $on): Edit;
}
