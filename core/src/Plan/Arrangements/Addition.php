<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

/**
 * An arrangement that composes with others: one battery system more, a way of charging. It is written on top of
 * whatever a plan holds already, and taken back by itself.
 */
interface Addition extends Arrangement
{
    /** What it is about, in a word: battery, engine, sun, shore or supply. */
    public static function family(): string;
}
