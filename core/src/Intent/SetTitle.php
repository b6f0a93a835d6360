<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** Another title for the job. */
final class SetTitle implements Handler
{
    public static function kind(): string
    {
        return 'set_title';
    }

    public static function needs(): array
    {
        return ['title'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $on->document->title = $on->text('title');

        return $on->done('renamed the job');
    }
}
