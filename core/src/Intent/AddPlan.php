<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Job\Tree;
use Hollin\Core\Plan\Refused;
use stdClass;

/** A plan more: empty, or begun as another one stands. */
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
        $from = $on->text('from');
        $begun =
            $from === ''
                ? (object) [
                    'stages' => (object) ['whole' => (object) ['title' => 'Whole retrofit', 'order' => 1]],
                    'changes' => new stdClass(),
                ]
                : Tree::copy(
                    $on->document->plans->{$from} ??
                        throw Refused::because('/intent/from', sprintf('There is no plan "%s".', $from)),
                );
        // Its own title and order first; the rest as it was begun.
        $on->document->plans->{$id} =
            (object) ([
                'title' => $on->text('title'),
                'order' => 1 + (int) max([0.0, ...array_values($orders)]),
            ] + get_object_vars($begun));

        return $on->done('added the plan "' . $on->text('title') . '"');
    }
}
