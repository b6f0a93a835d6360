<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** A plan out of the job. */
final class RemovePlan implements Handler
{
    public static function kind(): string
    {
        return 'remove_plan';
    }

    public static function needs(): array
    {
        return ['plan'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $title = $on->plan()->title;
        unset($on->document->plans->{$on->text('plan')});

        return $on->done("removed the plan \"{$title}\"");
    }
}
