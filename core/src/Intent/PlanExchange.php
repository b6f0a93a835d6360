<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use stdClass;

/** Exchanges, in a plan, the leads that land on the positive and on the negative of a part. */
final class PlanExchange implements Handler
{
    public static function kind(): string
    {
        return 'plan_exchange';
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
        $label =
            $last->{$id}->label ??
            throw Refused::because('/intent/component', sprintf('There is no component "%s" in the plan.', $id));
        $other = ["{$id}.pos" => "{$id}.neg", "{$id}.neg" => "{$id}.pos"];
        $moved = 0;
        foreach (get_object_vars($last) as $leadId => $lead) {
            foreach ($lead instanceof stdClass && $lead->type === 'lead' ? ['from', 'to'] : [] as $end) {
                if (isset($other[$lead->{$end}])) {
                    $on->write(
                        $plan,
                        (object) [
                            'op' => Op::Set->value,
                            'target' => (string) $leadId,
                            'path' => "/{$end}",
                            'value' => $other[$lead->{$end}],
                        ],
                    );
                    $moved++;
                }
            }
        }
        if ($moved === 0) {
            throw Refused::because('/intent/component', sprintf('No lead lands on a pole of %s.', $label));
        }

        return $on->done("exchanged positive and negative at {$label}");
    }
}
