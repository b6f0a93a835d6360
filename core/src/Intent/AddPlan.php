<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use stdClass;

/** A plan more. */
final class AddPlan implements Handler
{
    public static function kind(): string
    {
        return 'add_plan';
    }

    public static function needs(): array
    {
        return ['id', 'title'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $id = $on->freshId($on->document->plans);
        $orders = array_map(fn(stdClass $p): float => (float) ($p->order ?? 0), get_object_vars($on->document->plans));
        $on->document->plans->{$id} = (object) [
            'title' => $on->text('title'),
            'order' => 1 + (int) max([0.0, ...array_values($orders)]),
            'stages' => (object) ['whole' => (object) ['title' => 'Whole retrofit', 'order' => 1]],
            'changes' => new stdClass(),
        ];

        return $on->done('added the plan "' . $on->text('title') . '"');
    }
}
