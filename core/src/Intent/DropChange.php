<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Refused;

/** A change of a plan dropped. */
final class DropChange implements Handler
{
    public static function kind(): string
    {
        return 'drop_change';
    }

    public static function needs(): array
    {
        return ['plan', 'change'];
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
        unset($plan->changes->{$on->text('change')});

        return $on->done('dropped: ' . $on->describe($change));
    }
}
