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

    private const ADDITIONS = [
        SecondSystem::class,
        EngineCharging::class,
        SunCharging::class,
        ShoreCharging::class,
        OwnGenerator::class,
        OwnSurgeUnit::class,
    ];

    /** @return array<string, class-string<Addition>> what composes with them and with each other */
    public static function additions(): array
    {
        return array_combine(array_map(fn(string $class): string => $class::id(), self::ADDITIONS), self::ADDITIONS);
    }

    /** @return ?class-string<Arrangement> an arrangement or addition by its name */
    public static function named(string $id): ?string
    {
        return self::all()[$id] ?? (self::additions()[$id] ?? null);
    }
}
