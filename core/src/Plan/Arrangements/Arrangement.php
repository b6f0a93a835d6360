<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use stdClass;

/** A way an inverter/charger meets the factory wiring: a recipe that writes changes. */
interface Arrangement
{
    /** Name of the recipe in a job file. */
    public static function id(): string;

    /** As a technician would call it. */
    public static function title(): string;

    /** What it is good for. */
    public static function gains(): string;

    /** What goes wrong with it. */
    public static function risks(): string;

    /** @return array<string, Field> what it asks beyond the equipment itself */
    public static function options(): array;

    /**
     * The changes it writes, in order.
     *
     * @return list<stdClass> changes without order
     * @throws NotPossible when the rig as found lacks what the arrangement needs
     */
    public function changes(Rig $rig, Options $options): array;
}
