<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use stdClass;

/** A stage more in a plan. */
final class AddStage implements Handler
{
    public static function kind(): string
    {
        return 'add_stage';
    }

    public static function needs(): array
    {
        return ['plan', 'id', 'title'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $id = $on->freshId($plan->stages);
        $plan->stages->{$id} = (object) [
            'title' => $on->text('title'),
            'order' =>
                1 +
                (int) max([
                    0.0,
                    ...array_map(
                        fn(stdClass $s): float => (float) ($s->order ?? 0),
                        array_values(get_object_vars($plan->stages)),
                    ),
                ]),
        ];

        return $on->done('added the stage "' . $on->text('title') . '"');
    }
}
