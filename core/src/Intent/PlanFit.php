<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\Planned;

/** A component to be fitted. */
final class PlanFit implements Handler
{
    public static function kind(): string
    {
        return 'plan_fit';
    }

    public static function needs(): array
    {
        return ['plan', 'id', 'component'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $last = Planned::atLast($on->document, $on->text('plan'));
        $id = $on->freshId($last);
        $on->write($plan, (object) ['op' => Op::Fit->value, 'target' => $id, 'value' => $on->fitted()]);

        return $on->done('planned to fit ' . (is_string($on->fitted()->label ?? null) ? $on->fitted()->label : $id));
    }
}
