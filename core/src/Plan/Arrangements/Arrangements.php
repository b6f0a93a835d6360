<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

/** The arrangements Hollin knows. */
final class Arrangements
{
    private const CLASSES = [
        InLine::class,
        Subpanel::class,
        TransferWhole::class,
        TransferCircuit::class,
        OwnReceptacles::class,
        PlugByHand::class,
        CordIntoInverter::class,
        BackFed::class,
    ];

    /** @return array<string, class-string<Arrangement>> */
    public static function all(): array
    {
        return array_combine(array_map(fn(string $class): string => $class::id(), self::CLASSES), self::CLASSES);
    }
}
