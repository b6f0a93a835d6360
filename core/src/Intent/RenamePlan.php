<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** Another title for a plan. */
final class RenamePlan implements Handler
{
    public static function kind(): string
    {
        return 'rename_plan';
    }

    public static function needs(): array
    {
        return ['plan', 'title'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $on->plan()->title = $on->text('title');

        return $on->done('renamed a plan to "' . $on->text('title') . '"');
    }
}
