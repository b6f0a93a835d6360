<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;

/** A value as planned. */
final class PlanSet implements Handler
{
    public static function kind(): string
    {
        return 'plan_set';
    }

    public static function needs(): array
    {
        return ['plan', 'component', 'path', 'value'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $last = Planned::atLast($on->document, $on->text('plan'));
        $id = $on->component();
        $component =
            $last->{$id} ??
            throw Refused::because('/intent/component', sprintf('There is no component "%s" in the plan.', $id));
        $places = $on->places();
        foreach ($places as $path => $value) {
            $on->write(
                $plan,
                (object) (['op' => Op::Set->value, 'target' => $id, 'path' => $path, 'value' => $value] +
                    ($on->text('why') === '' ? [] : ['why' => $on->text('why')])),
            );
        }

        return $on->done("planned {$component->label}: " . Catalogue::placesWords($component->type, $places));
    }
}
