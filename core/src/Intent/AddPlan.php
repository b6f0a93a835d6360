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
        $id = $on->text('id');
        $from = $on->text('from');
        $begun = null;
        if ($from !== '') {
            $begun =
                $on->document->plans->{$from} ??
                throw Refused::because('/intent/from', sprintf('There is no plan "%s".', $from));
        }
        self::begin($on, $id, $on->text('title'), $begun, '/intent/id');

        return $on->done('added the plan "' . $on->text('title') . '"');
    }

    /**
     * A plan of the document, after those it has.
     *
     * @param ?stdClass $as the plan it begins as; null for one without changes
     * @throws Refused when the id is taken or none
     */
    public static function begin(
        Editing $on,
        string $id,
        string $title,
        ?stdClass $as = null,
        string $at = '/intent/plan',
    ): stdClass {
        $on->checkId($id, $on->document->plans, $at);
        $orders = array_map(fn(stdClass $p): float => (float) ($p->order ?? 0), get_object_vars($on->document->plans));
        // Its own title and order first; the rest as it was begun.
        $on->document->plans->{$id} =
            (object) ([
                'title' => $title,
                'order' => 1 + (int) max([0.0, ...array_values($orders)]),
            ] +
                get_object_vars(
                    $as === null
                        ? (object) [
                            'stages' => (object) ['whole' => (object) ['title' => 'Whole retrofit', 'order' => 1]],
                            'changes' => new stdClass(),
                        ]
                        : Tree::copy($as),
                ));

        return $on->document->plans->{$id};
    }
}
