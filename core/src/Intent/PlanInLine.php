<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Id;
use Hollin\Core\Job\Tree;
use Hollin\Core\Plan\Arrangements\Changes;
use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;

/** A part fitted into a feeder: the feeder ends at it, and a short cable leads on to where the feeder ended. */
final class PlanInLine implements Handler
{
    /** Length of the cable that leads on, m: the part stands beside what the feeder fed. */
    private const ON_M = 0.6;

    public static function kind(): string
    {
        return 'plan_in_line';
    }

    public static function needs(): array
    {
        return ['plan', 'id', 'feeder', 'component'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $parts = Planned::atLast($on->document, $on->text('plan'));
        $rig = Rig::from($parts);
        $feeder = $rig->find($on->text('feeder'));
        if (!($feeder instanceof Feeder)) {
            throw Refused::because('/intent/feeder', 'must be a feeder cable of the plan.');
        }
        $id = $on->freshId($parts);
        $part = $on->fitted();
        $on->write($plan, Changes::fit($id, get_object_vars($part)));
        $on->write(
            $plan,
            Changes::fit(Id::from("{$id}_on", get_object_vars($parts) + [$id => true]), [
                'type' => 'feeder',
                'label' => ($part->label ?? 'It') . ' onward',
                'from' => (object) ['at' => $id, 'port' => 'out'],
                'to' => Tree::copy($feeder->values->raw()->to),
                'cable' => (object) Changes::branchCable(
                    $feeder->values->cable('cable')->size->designation ?? 'awg:10',
                    self::ON_M,
                ),
            ]),
        );
        $on->write($plan, Changes::move($feeder->id, '/to', (object) ['at' => $id, 'port' => 'in']));

        return $on->done(sprintf('planned %s in %s', $part->label ?? Op::Fit->value, $feeder->label()));
    }
}
