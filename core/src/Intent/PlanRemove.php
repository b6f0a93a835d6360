<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;

/** A component to be taken out. */
final class PlanRemove implements Handler
{
    public static function kind(): string
    {
        return 'plan_remove';
    }

    public static function needs(): array
    {
        return ['plan', 'component'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $id = $on->component();
        $last = Planned::atLast($on->document, $on->text('plan'));
        $component =
            $last->{$id} ??
            throw Refused::because('/intent/component', sprintf('There is no component "%s" in the plan.', $id));
        $fitted = false;
        foreach (get_object_vars($plan->changes) as $changeId => $change) {
            if ($change->target === $id) {
                $fitted = $fitted || $change->op === Op::Fit->value;
                unset($plan->changes->{$changeId});
            }
        }
        if (!$fitted) {
            $on->write($plan, (object) ['op' => Op::Remove->value, 'target' => $id]);
        }

        return $on->done("planned to take out {$component->label}");
    }
}
