<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Values;
use InvalidArgumentException;
use stdClass;

/** Every component type, by its name in a job file. */
final class Catalogue
{
    private const CLASSES = [
        Supply\ShoreSupply::class,
        Supply\Inlet::class,
        Supply\Generator::class,
        Supply\SurgeUnit::class,
        Switching\TransferSwitch::class,
        Switching\Bypass::class,
        Switching\Contactor::class,
        Panels\Panel::class,
        Panels\Circuit::class,
        Panels\Feeder::class,
        Panels\SpliceBox::class,
        Panels\Instruction::class,
        Conversion\Converter::class,
        Conversion\Inverter::class,
        Conversion\InverterCharger::class,
        Battery\Bank::class,
        Battery\DcFuse::class,
        Battery\DcSwitch::class,
        Battery\Shunt::class,
        Battery\BusBar::class,
        Battery\DcPanel::class,
        Battery\DcLoad::class,
        Battery\Lead::class,
        Battery\FrameBond::class,
    ];

    /** @return array<string, class-string<Component>> */
    public static function types(): array
    {
        static $types = null;

        return $types ??= array_combine(array_map(fn(string $class): string => $class::type(), self::CLASSES), self::CLASSES);
    }

    /** @param stdClass $values already checked against the schema */
    public static function make(string $id, stdClass $values): Component
    {
        $type = is_string($values->type ?? null) ? $values->type : '';
        $class = self::types()[$type] ?? throw new InvalidArgumentException("Unknown component type {$type}");

        return new $class($id, new Values($values));
    }
}
