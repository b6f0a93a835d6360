<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Refused;

/** A change put into another stage. */
final class StageChange implements Handler
{
    public static function kind(): string
    {
        return 'stage_change';
    }

    public static function needs(): array
    {
        return ['plan', 'change', 'stage'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $change =
            $plan->changes->{$on->text('change')} ??
            throw Refused::because('/intent/change', sprintf('There is no change "%s".', $on->text('change')));
        $change->stage = $on->text('stage');
        $change->by = 'hand';

        return $on->done('put into another stage: ' . $on->describe($change));
    }
}
