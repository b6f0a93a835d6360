<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** A component more in the survey. */
final class SurveyAdd implements Handler
{
    public static function kind(): string
    {
        return 'survey_add';
    }

    public static function needs(): array
    {
        return ['id', 'component'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $id = $on->freshId($on->document->asFound->components);
        $on->document->asFound->components->{$id} = $on->fitted();

        return $on->done('surveyed ' . (is_string($on->fitted()->label ?? null) ? $on->fitted()->label : $id));
    }
}
