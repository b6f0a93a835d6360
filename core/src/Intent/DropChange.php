<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Refused;
use stdClass;

/** A change of a plan dropped; where the arrangement had written something else there, that holds again. */
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
        assert($change instanceof stdClass);
        if (isset($change->was)) {
            unset($change->why);
            foreach (get_object_vars($change->was) as $name => $value) {
                $change->{$name} = $value;
            }
            $change->by = 'recipe';
            unset($change->was);

            return $on->done('back to the arrangement: ' . $on->describe($change));
        }
        unset($plan->changes->{$on->text('change')});

        return $on->done('dropped: ' . $on->describe($change));
    }
}
